import { commonTerminals, type BoardProfile } from "../board/index.ts";
import { plainNumber } from "../quantity/index.ts";
import { terminalNode, type Installation } from "./installation.ts";
import { meterBetween, type MeterReading } from "./measure.ts";

/** What a meter should read between two terminals, in words: the figure and its reason. */
export interface MeterText {
  reading: string;
  why: string;
}

function readingText(at: Installation, { volts, kind, ohms }: MeterReading): string {
  if (at.powered)
    return volts === undefined ? "nothing steady" : `${plainNumber(volts)} V ${(kind ?? "dc").toUpperCase()}`;
  if (ohms === undefined) return "open";
  return ohms < 1_000 ? `${plainNumber(ohms)} Ω` : `${plainNumber(ohms / 1_000, 2)} kΩ`;
}

/** What two terminals are to one another on the board, apart from what is wired to them. */
function relation(board: BoardProfile, a: string, b: string): string | undefined {
  const pole = (id: string) => board.rails.find((rail) => rail.plus.includes(id) || rail.minus.includes(id));
  const [one, other] = [pole(a), pole(b)];
  if (one && one === other) {
    const same = one.plus.includes(a) === one.plus.includes(b);
    const live = one.live === "always" ? "always on" : `on while ${one.live}`;
    return same ? `one pole of ${one.label}, joined on the board` : `the two poles of ${one.label}, ${live}`;
  }
  for (const [terminal, common] of [
    [a, b],
    [b, a],
  ] as const) {
    const input = board.inputs.find((each) => each.terminal === terminal);
    if (input && commonTerminals(board, input).includes(common)) return `${input.label} and its common`;
  }
  const point = board.commons.find((common) => common.terminals.includes(a) && common.terminals.includes(b));
  return point ? "one common, joined on the board" : undefined;
}

/** What a meter should read between two terminals of an installation, and why. */
export function meterText(at: Installation, a: string, b: string): MeterText {
  const reading = meterBetween(at, terminalNode(a), terminalNode(b));
  const nothing = at.powered ? reading.volts === undefined : reading.ohms === undefined;
  const related = relation(at.board, a, b);
  return {
    reading: readingText(at, reading),
    why:
      related ??
      (nothing ? "nothing joins them; the meter may drift" : "joined through what is wired to them"),
  };
}
