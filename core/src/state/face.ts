import {
  conditionBecause,
  conditionHolds,
  conditionInstead,
  inputAsked,
  type BoardProfile,
  type Circumstances,
  type Lamp,
} from "../board/index.ts";
import { readCircuit, type Element, type Readings } from "../circuit/index.ts";
import { listed } from "../quantity/index.ts";
import type { BenchState, Planned } from "./bench.ts";
import { pendingKinds } from "./circumstances.ts";
import { installationOf } from "./installation.ts";

export type LampState = "lit" | "blinking" | "dark";

/** How a lamp looks beyond lit, blinking or dark: in its second colour, or in counted flashes. */
export interface LampLook {
  other?: boolean;
  flashes?: number;
}

/** What the board shows at a moment, and the circuit behind it. */
export interface Face {
  lamps: Record<string, LampState>;
  looks: Record<string, LampLook>;
  /** What the display shows outside its menus, lines parted by |; empty when dark. */
  display: string;
  readings: Readings;
}

const shownRow = <Row extends { when: Lamp["shows"][number]["when"] }>(
  rows: readonly Row[],
  ask: Circumstances,
): Row | undefined => (ask.power(true) ? rows.find((row) => conditionHolds(row.when, ask)) : undefined);

/** The code that is shown just now; undefined where none is. */
const shownCode = (board: BoardProfile, ask: Circumstances) =>
  ask.power(true) ? board.codes.find(({ code }) => ask.fault(code)) : undefined;

/** What lamps and display show outside of the menus, in whatever circumstances: a code before anything else. */
export function faceIn(board: BoardProfile, ask: Circumstances): Pick<Face, "lamps" | "looks" | "display"> {
  const face = withoutCode(board, ask);
  const shown = shownCode(board, ask);
  if (!shown) return face;
  if (shown.lamp === undefined) return { ...face, display: shown.code };
  return {
    ...face,
    lamps: { ...face.lamps, [shown.lamp]: "blinking" },
    looks: { ...face.looks, [shown.lamp]: { other: shown.other, flashes: Number(shown.code) } },
  };
}

function withoutCode(board: BoardProfile, ask: Circumstances): Pick<Face, "lamps" | "looks" | "display"> {
  const rows = board.lamps.map((lamp) => [lamp.id, shownRow(lamp.shows, ask)] as const);
  return {
    lamps: Object.fromEntries(rows.map(([id, row]) => [id, row?.is ?? "dark"])),
    looks: Object.fromEntries(
      rows.flatMap(([id, row]) =>
        row?.other || row?.flashes ? [[id, { other: row.other, flashes: row.flashes }]] : [],
      ),
    ),
    display: shownRow(board.display?.shows ?? [], ask)?.text ?? "",
  };
}

/** How the inputs of a board read, from wires, links and contacts. */
export const readingsOf = (planned: Pick<Planned, "bundle" | "wiring">, state: BenchState): Readings =>
  readCircuit(installationOf(planned.bundle.board, planned.wiring, state));

/** What a lamp's reason is told by: the board as conditions ask for it, and how its inputs read. */
export interface LampMoment extends Pick<BenchState, "powered" | "positions" | "inForce"> {
  ask: Circumstances;
  readings: Pick<Readings, "inputs">;
}

/** What a loop runs through, in words. */
function elementText({ bundle, wiring }: Planned, element: Element): string | undefined {
  switch (element.kind) {
    case "link": {
      const link = bundle.board.links.find((each) => each.id === element.link);
      return link && `link ${link.between.join("–")}`;
    }
    case "contact":
      return wiring.devices.find((each) => each.id === element.device)?.name;
  }
}

/** Why a lamp shows what it shows, in a few words. */
export function lampReason(planned: Planned, moment: LampMoment, lamp: Lamp): string {
  const { powered, ask, readings } = moment;
  if (!powered) return "no power";
  const inputId = lamp.shows.map(({ when }) => inputAsked(when)).find((id) => id !== undefined);
  const input = planned.bundle.board.inputs.find((each) => each.id === inputId);
  if (input) {
    const reading = readings.inputs[input.id];
    if (!reading?.closed)
      return ask.reads(input.id, "closed")
        ? `${input.label} is switched off by its setting`
        : `${input.terminal} reads open`;
    const through = reading.loop.flatMap((element) => elementText(planned, element) ?? []);
    return `${input.terminal} closed through ${through.length ? listed([...new Set(through)]) : "the board"}`;
  }
  const row = shownRow(lamp.shows, ask);
  if (row?.when.pending) return `${pendingKinds(moment).join(" and ")} moved and not read yet`;
  return (
    (row && conditionBecause(row.when)) ??
    conditionInstead(lamp.shows.map(({ when }) => when)) ??
    "nothing to show"
  );
}
