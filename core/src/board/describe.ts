import { fractionToClock, listed, plainNumber } from "../quantity/index.ts";
import type { Subject } from "../finding/index.ts";
import { behaviour, behaviourText, type BehaviourId, type BehaviourValue } from "./behaviour.ts";
import { commonTerminals, labelsOf, terminalOf } from "./lookup.ts";
import type { BoardProfile, Dial, SetsValue } from "./schema/index.ts";
import { conditionText } from "./words/index.ts";

/** What a row, zone or choice sets, in words: "automatic closing on, pause 4 s to 160 s". */
export function setsText(sets: Readonly<Record<string, SetsValue>>): string {
  const texts = Object.entries(sets).map(([id, value]) => {
    const name = behaviour(id as BehaviourId).label.toLowerCase();
    if (typeof value !== "object")
      return `${name} ${behaviourText(id as BehaviourId, value as BehaviourValue)}`;
    return `${name} ${plainNumber(value.from)} to ${behaviourText(id as BehaviourId, value.to)}`;
  });
  return texts.length ? listed(texts) : "nothing";
}

function terminalText(board: BoardProfile, id: string): string {
  const terminal = terminalOf(board, id);
  if (!terminal) return "";
  const texts = [id, terminal.block.label, terminal.label, `holds ${terminal.holds}`];
  const input = board.inputs.find((each) => each.terminal === id);
  if (input) {
    const common = commonTerminals(board, input).join(" or ");
    const link = board.links.find((each) => each.id === input.link);
    texts.push(`${input.label}: wants a contact that rests ${input.contact}, to ${common}`);
    if (input.ohms) texts.push(`end resistor ${plainNumber(input.ohms)} Ω`);
    if (link) texts.push(`bridged by link ${link.between.join("–")} when unused`);
    if (input.off)
      texts.push(`switched off by ${behaviour(input.off.behaviour).label.toLowerCase()} when unused`);
  }
  for (const rail of board.rails) {
    const pole = rail.plus.includes(id)
      ? "+"
      : rail.minus.includes(id)
        ? "−"
        : rail.third?.includes(id)
          ? "third pole"
          : "";
    if (!pole) continue;
    const budget = board.budgets.find((each) => each.id === rail.budget);
    const limit = rail.limitMilliamps ?? budget?.limitMilliamps;
    texts.push(
      `${rail.label}, ${rail.kind === "ac" ? "one pole" : pole} of ${plainNumber(rail.volts)} V ${rail.kind.toUpperCase()}, ${rail.live === "always" ? "always on" : `on: ${rail.live}`}${limit ? `, ${plainNumber(limit)} mA${budget ? " shared" : ""}` : ""}`,
    );
  }
  const output = board.outputs.find((each) => each.terminals.includes(id));
  if (output) texts.push(`${output.label}${output.task ? `: ${output.task}` : ""}`);
  if (Object.values(board.supply.poles).includes(id)) texts.push("supply of the board");
  return texts.join(" · ");
}

function selectorText(board: BoardProfile, id: string, name: string): string {
  const setting = board.settings.find((each) => each.of.includes(id));
  if (!setting) return name;
  const rows = setting.rows.map((row) => `${row.at.join(" ")}: ${setsText(row.sets)}`);
  const shown = rows.length > 4 ? `${rows.length} combinations of ${setting.of.join(", ")}` : rows.join("; ");
  return `${name} · ${setting.label} · ${shown}`;
}

function dialText(board: BoardProfile, dial: Dial): string {
  const zones = dial.zones.map(
    (zone) =>
      `${fractionToClock(zone.from, dial.sweep)} to ${fractionToClock(zone.to, dial.sweep)} ${zone.reads ? `${zone.reads}, ` : ""}${setsText(zone.sets)}`,
  );
  const live = dial.live ? ` · counts only while ${conditionText(dial.live, labelsOf(board))}` : "";
  return `Dial ${dial.label} · ${zones.join("; ")}${live}`;
}

/** What a part of the face is and does, in a line. Empty for what the board has not. */
export function partText(board: BoardProfile, { kind, id }: Subject): string {
  const of = <T extends { id: string }>(list: readonly T[]) => list.find((each) => each.id === id);
  switch (kind) {
    case "terminal":
      return terminalText(board, id);
    case "link": {
      const link = of(board.links);
      const input = board.inputs.find((each) => each.link === id);
      return link
        ? `Link ${link.between.join("–")}${input ? ` · in while nothing is wired to ${input.label}` : ""}`
        : "";
    }
    case "switch":
      return selectorText(board, id, `Switch ${id}`);
    case "slide":
      return selectorText(board, id, `Slide ${of(board.slides)?.label ?? ""}`);
    case "jumper": {
      const jumper = of(board.jumpers);
      const isolates = board.solar?.isolatedBy === id ? " · on, it cuts the solar panel off" : "";
      return jumper ? selectorText(board, id, `Jumper ${jumper.label}`) + isolates : "";
    }
    case "dial": {
      const dial = of(board.dials);
      return dial ? dialText(board, dial) : "";
    }
    case "key": {
      const key = of(board.keys);
      return key ? `Key ${key.label}${key.outside ? ` · outside the menu: ${key.outside}` : ""}` : "";
    }
    case "lamp": {
      const lamp = of(board.lamps);
      const shows = lamp?.shows.map(
        (row) =>
          `${row.is}${row.other && lamp.other ? ` ${lamp.other}` : ""}${row.flashes ? ` ${row.flashes} times` : ""} when ${conditionText(row.when, labelsOf(board))}`,
      );
      return lamp ? `Lamp ${lamp.label}, ${lamp.colour} · ${shows?.join("; ")}` : "";
    }
    case "display": {
      const { display } = board;
      if (!display) return "";
      const size =
        display.lines > 1 ? `${display.lines} lines of ${display.characters}` : `${display.characters}`;
      return `Display, ${size} characters${display.shows.map((row) => ` · ${row.text} when ${conditionText(row.when, labelsOf(board))}`).join("")}`;
    }
    case "slot": {
      const slot = of(board.slots);
      const cards = board.cards.filter((card) => slot?.takes.includes(card.id)).map((card) => card.name);
      return slot ? `Slot ${slot.label} · takes ${listed(cards)}` : "";
    }
    default:
      return "";
  }
}
