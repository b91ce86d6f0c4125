import { count, listed, plainNumber, sentence } from "../quantity/index.ts";
import { behaviour } from "./behaviour.ts";
import { entryName, handlesOf, labelsOf, memoriesIn } from "./lookup.ts";
import { movingThing } from "./purpose.ts";
import type { BoardProfile, Phase, Program } from "./schema/index.ts";
import { conditionText, gestureText } from "./words/index.ts";

const untilText = { stop: " until it meets its stop", limit: " until it meets its limit", end: "" } as const;
const whichText = { both: "", first: " leaf 1", second: " leaf 2" } as const;

const heardText: Record<string, string> = {
  press: "a button of a transmitter",
  hold: "a button of a transmitter, held",
  recessed: "the recessed button of a transmitter",
  key: "the pairing key of a transmitter",
  search: "the search of a gateway",
};

function secondsText({ seconds }: Phase): string {
  if (seconds === undefined) return "";
  if (typeof seconds === "number") return `${plainNumber(seconds)} s`;
  return `as long as ${behaviour(seconds.by).label.toLowerCase()} says`;
}

function awaitText(board: BoardProfile, phase: Phase): string {
  const { by, heard, when, times = 1 } = phase.await!;
  const waits = [
    ...(by ? [gestureText(by, handlesOf(board))] : []),
    ...(heard ? [`${heardText[heard]}${times > 1 ? `, ${times} times` : ""}`] : []),
    ...(when ? [conditionText(when, labelsOf(board))] : []),
  ];
  const long = secondsText(phase);
  return `waits for: ${listed(waits)}${long ? `, ${long} at most` : ""}`;
}

/** What a phase does, in a few words. */
function phaseText(board: BoardProfile, phase: Phase): string {
  const memory = (ids: string | readonly string[] | undefined) =>
    listed(memoriesIn(ids).map((id) => labelsOf(board).memory(id).toLowerCase()));
  if (phase.mode !== undefined) return phase.mode === "idle" ? "is done" : `is ${phase.mode}`;
  if (phase.run !== undefined)
    return `${phase.run === "open" ? "opens" : "closes"}${whichText[phase.leaves ?? "both"]}${untilText[phase.until ?? "end"]}`;
  if (phase.mark !== undefined) return `takes where it stands for ${phase.mark}`;
  if (phase.await) return awaitText(board, phase);
  if (phase.asks)
    return `moves${whichText[phase.leaves ?? "both"]} and asks whether it ${phase.asks.toward === "open" ? "opens" : "closes"}`;
  if (phase.learn !== undefined) return `keeps ${memory(phase.learn)}`;
  if (phase.add !== undefined) return `keeps one more in ${memory(phase.add)}`;
  if (phase.forget !== undefined) return `empties ${memory(phase.forget)}`;
  if (phase.drop !== undefined) return `takes one out of ${memory(phase.drop)}`;
  if (phase.commit !== undefined) return "reads what was moved";
  if (phase.restores !== undefined) return `puts ${phase.restores} back as delivered`;
  if (phase.shows !== undefined)
    return `shows ${phase.shows.replace("{slot}", "the slot")}, ${secondsText(phase)}`;
  if (phase.beeps !== undefined)
    return `beeps ${phase.beeps === 1 ? "once" : `${phase.beeps} times`}${phase.long ? ", long" : ""}`;
  if (phase.phases)
    return `${count(phase.cycle ?? 1, "time")}: ${phase.phases.map((inner) => phaseText(board, inner)).join(", ")}`;
  return `waits ${secondsText(phase)}`;
}

/** What a program begins with, in words. */
function beginsText(board: BoardProfile, program: Program): string {
  const entries = (board.panel?.menus ?? []).flatMap(({ items }) =>
    items.filter(({ does }) => does === program.id),
  );
  const begins = [
    ...program.on.map(({ by, acts, command }) =>
      by
        ? `${gestureText(by, handlesOf(board))}${acts === "at" ? ", and it acts while the key is still held" : ""}`
        : command === undefined
          ? "power comes"
          : command === "any"
            ? "any command"
            : `the command to ${command}`,
    ),
    ...entries.map((item) => `entry ${entryName(item)}`),
  ];
  const when = conditionText(program.when, labelsOf(board));
  return `${[...new Set(begins)].join(", or ")}${when === "always" ? "" : `, while ${when}`}`;
}

/** A program in sentences: what begins it, why it does not, what it does, what breaks it off. */
export function programText(board: BoardProfile, program: Program): string[] {
  const labels = labelsOf(board);
  const reason = ({ when, code }: Program["refuses"][number]) =>
    `${conditionText(when, labels)}${code === undefined ? "" : ` (${code})`}`;
  const broken = program.aborts.map(({ by, when }) =>
    by ? gestureText(by, handlesOf(board)) : when ? conditionText(when, labels) : "",
  );
  return [
    `Begins with: ${beginsText(board, program)}.`,
    sentence(
      `the ${board.leaves ? `${movingThing(board)}'s board` : "radio"} ${program.phases.map((phase) => phaseText(board, phase)).join("; ")}.`,
    ),
    ...(program.refuses.length ? [`Refuses where ${program.refuses.map(reason).join("; ")}.`] : []),
    ...(broken.length ? [`Broken off by: ${broken.join("; ")}.`] : []),
  ];
}
