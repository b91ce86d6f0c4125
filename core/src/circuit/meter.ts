import { commonTerminals, type BoardProfile } from "../board/index.ts";
import { plainNumber } from "../quantity/index.ts";
import { nodeKey, sameNode, terminalNode, type Node } from "../node/index.ts";
import { branchesOf, nothingKnown, type Kind } from "./branches.ts";
import type { Installation } from "./installation.ts";
import { between, settled } from "./measure.ts";
import { solveNetwork } from "./network/index.ts";
import { atRest, type Moment } from "./situation.ts";

/** What a meter shows between two points: volts with their kind, or ohms; nothing where the points do not meet. */
export interface MeterReading {
  volts?: number;
  kind?: Kind;
  ohms?: number;
}

/** Volts of the meter's own battery and the resistance behind it. Any small voltage would do: diodes stay shut. */
const probe = { volts: 0.2, ohms: 1_000 };
/** Resistance from which a meter shows an open circuit, Ω. */
const openOhms = 2e7;

/**
 * What a meter shows between two points of an installation: volts while it has power, ohms while it has none. On ohms
 * the electronics of devices count as open, as a meter's small voltage does not wake them.
 */
export function meterBetween(at: Installation, a: Node, b: Node, moment: Moment = atRest): MeterReading {
  if (sameNode(a, b)) return at.powered ? { volts: 0 } : { ohms: 0 };
  if (at.powered) {
    const { solutions } = settled(at, moment);
    const found = (["dc", "ac"] as const).flatMap((kind) => {
      const volts = solutions[kind] && between(solutions[kind], nodeKey(a), nodeKey(b));
      return volts === undefined ? [] : [{ kind, volts }];
    });
    return found.sort((one, other) => Math.abs(other.volts) - Math.abs(one.volts))[0] ?? {};
  }
  const passive = branchesOf(at, "dc", moment, nothingKnown).filter((branch) => branch.kind !== "load");
  const result = solveNetwork([
    ...passive,
    {
      kind: "source",
      id: "probe",
      plus: nodeKey(a),
      minus: nodeKey(b),
      volts: probe.volts,
      ohms: probe.ohms,
    },
  ]);
  const amps = "reason" in result ? 0 : (result.amps.get("probe") ?? 0);
  const ohms = amps > 0 ? probe.volts / amps - probe.ohms : Infinity;
  return ohms < openOhms ? { ohms: Math.max(0, ohms) } : {};
}

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
