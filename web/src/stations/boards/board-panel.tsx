import {
  gestureText,
  handlesOf,
  sentence,
  setsText,
  type BoardProfile,
  type MenuItem,
  type Panel,
} from "@anvilcloud/core";
import { styled } from "styled-components";
import { color, size, space } from "../../theme/index.ts";
import { Mark, Quiet, SubHeading } from "../../ui/index.ts";

const Menu = styled.section`
  padding-bottom: ${space.m};
  ol {
    font-size: ${size.small};
    li {
      display: grid;
      grid-template-columns: 96px 1fr;
      gap: ${space.m};
      padding: ${space.xs} 0;
      border-top: 1px solid ${color.line};
    }
  }
`;

/** What an entry starts: a program, or in a profile without one the procedure that tells of it. */
const startedText = ({ programs, procedures }: BoardProfile, id: string): string =>
  programs.find((each) => each.id === id)?.label ?? procedures.find((each) => each.id === id)?.title ?? id;

function itemText(board: BoardProfile, item: MenuItem): string {
  if (item.menu)
    return `opens ${board.panel?.menus.find((menu) => menu.id === item.menu)?.label ?? item.menu}`;
  if (item.does) return `starts: ${startedText(board, item.does)}`;
  if (item.flips) return item.flips;
  if (item.number) {
    const { from, to, step, unit, delivered } = item.number;
    return `${from} to ${to}${unit ? ` ${unit}` : ""} by ${step}, delivered ${delivered}: ${setsText(item.number.sets)}`;
  }
  return (item.choices ?? [])
    .map(
      (choice) =>
        `${choice.shows === choice.reads ? choice.shows : `${choice.shows} ${choice.reads}`}${choice.shows === item.delivered ? " (delivered)" : ""}`,
    )
    .join("; ");
}

function wayIn(board: BoardProfile, panel: Panel, menu: string): string {
  const called = handlesOf(board);
  return panel.opens
    .filter((entry) => entry.to === menu)
    .map((entry) => {
      const by = sentence(entry.by.map((each) => gestureText(each, called)).join(", then "));
      return `${by}${entry.firmware ? ` (firmware ${entry.firmware.join(", ")})` : ""}${entry.note ? `. ${entry.note}` : ""}`;
    })
    .join(". Or: ");
}

const moves = ["next", "previous", "into", "back", "more", "less", "confirm"] as const;

/** The menus of a board's panel with their ways in and every entry. */
export function BoardPanel({ board }: { board: BoardProfile }) {
  const { panel } = board;
  if (!panel) return <Quiet>No menus: this board is set by what stands on its face.</Quiet>;
  return (
    <>
      <Quiet style={{ marginBottom: 12 }}>
        {moves
          .flatMap((move) => (panel[move] ? [`${move}: ${gestureText(panel[move], handlesOf(board))}`] : []))
          .join(" · ")}
        {` · values are kept ${panel.stores}${panel.pauseSeconds ? ` of ${panel.pauseSeconds} s` : ""}`}
        {panel.timeoutSeconds ? ` · closes after ${panel.timeoutSeconds} s without a key` : ""}
      </Quiet>
      {panel.menus.map((menu) => (
        <Menu key={menu.id}>
          <SubHeading>{sentence(menu.label)}</SubHeading>
          <Quiet>{wayIn(board, panel, menu.id)}</Quiet>
          <ol>
            {menu.items.map((item) => (
              <li key={item.id}>
                <Mark style={{ whiteSpace: "normal" }}>{item.shows}</Mark>
                <span>
                  <b>{item.label}</b>
                  <Quiet as="span" style={{ display: "block" }}>
                    {itemText(board, item)}
                  </Quiet>
                </span>
              </li>
            ))}
          </ol>
        </Menu>
      ))}
    </>
  );
}
