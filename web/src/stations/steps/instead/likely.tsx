import {
  likeliest,
  sentence,
  type BoardProfile,
  type LookAlike,
  type SeenInstead,
  type Sights,
} from "@anvilcloud/core";
import { useState } from "react";
import { styled } from "styled-components";
import { color, space } from "../../../theme/index.ts";
import { Button, Quiet } from "../../../ui/index.ts";

const List = styled.ol`
  display: grid;
  gap: ${space.m};
  counter-reset: likely;
  li {
    padding-left: ${space.m};
    border-left: 3px solid ${color.line};
  }
`;

/** Faults that are told at once; the others when they are asked for. */
const first = 6;

const tells = ({ lamps = {}, display, moved }: SeenInstead): boolean =>
  Object.keys(lamps).length > 0 || display !== undefined || moved !== undefined;

/** How a fault would look, as far as that is otherwise than it should be. */
function differs({ sight }: LookAlike, { due }: Sights, board: BoardProfile): string {
  const lamps = board.lamps.flatMap(({ id, label }) => {
    const is = sight.lamps[id] ?? "dark";
    return is === (due.lamps[id] ?? "dark") ? [] : [`${label} is ${is}`];
  });
  return sentence(
    [
      ...lamps,
      ...(sight.display === due.display
        ? []
        : [
            sight.display
              ? `the display shows ${sight.display.replaceAll("|", " / ")}`
              : "the display is dark",
          ]),
      ...(sight.moved === due.moved
        ? []
        : [/^(opens|closes)/.test(sight.moved) ? `it ${sight.moved}` : sight.moved]),
    ].join("; "),
  );
}

interface Props {
  seen: SeenInstead;
  sights: Sights;
  board: BoardProfile;
  /** False while not every fault has been tried. */
  isAll: boolean;
}

/** The single faults that would look like what was seen, likeliest first, each with what to do. */
export function Likely({ seen, sights, board, isAll }: Props) {
  const [all, setAll] = useState(false);
  const { exact, faults } = likeliest(seen, sights);
  const few = faults.length === 1 ? "fault" : "faults";
  const soFar = isAll ? "" : " so far";
  const shown = all ? faults : faults.slice(0, first);
  return (
    <div>
      <Quiet role="status">
        {!tells(seen)
          ? `${faults.length} single ${few} found${soFar} that would show in this step, the most frequent first.`
          : exact
            ? `${faults.length} single ${few} found${soFar} that would look like it here, the most frequent first.`
            : isAll
              ? "No single fault looks just like it here; these come nearest. Look for two at once, or for a dial or a value that stands otherwise."
              : "No single fault tried so far looks just like it; these come nearest."}
      </Quiet>
      <List aria-label="What would look like it">
        {shown.map((each) => (
          <li key={`${each.what} ${each.where}`}>
            <b>{each.what}</b>
            {each.where && `: ${each.where}`}
            <br />
            <Quiet as="span">{differs(each, sights, board)}.</Quiet>
            <br />
            {each.todo}
          </li>
        ))}
      </List>
      {faults.length > first && !all && (
        <Button $kind="quiet" onPress={() => setAll(true)}>
          {faults.length - first} more
        </Button>
      )}
    </div>
  );
}
