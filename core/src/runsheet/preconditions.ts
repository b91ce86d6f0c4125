import { conditionHolds, conditionMust, labelsOf } from "../board/index.ts";
import type { Readings } from "../circuit/index.ts";
import { wordsOf, type Finding } from "../finding/index.ts";
import type { LogEntry } from "../job/index.ts";
import { circumstancesOf, outcomes, stateNow, type Planned } from "../state/index.ts";
import { stations, type Step } from "./step.ts";
import { answersOf } from "./voids.ts";

/** Something that must be so before a step may count as seen, and is not. */
export interface Gate {
  /** Made of what it is about and of what is known of it, so that passing it once never passes it again after a change. */
  id: string;
  kind: "isolation" | "danger" | "needs";
  /** What is not so, in a sentence. */
  what: string;
  /** What opens it, in a sentence. */
  remedy: string;
  /** The step that opens it, where one does. */
  step?: string;
}

/** What gates are told by: a plan with its run sheet, the dangers that stand, and how the inputs read now. */
export interface Gated extends Pick<Planned, "bundle"> {
  sheet: readonly Step[];
  dangers: readonly Finding[];
  readings: Readings;
}

/** Dangers of a plan and of the bench as it stands, each told once. */
export function dangersIn(findings: readonly Finding[], nowFindings: readonly Finding[]): Finding[] {
  const dangers = [...findings, ...nowFindings].filter((each) => each.severity === "danger");
  return [...new Map(dangers.map((each) => [dangerId(each), each])).values()];
}

/** A danger as a key: the same code about other parts, or with other values, is another one. */
const dangerId = (finding: Finding) =>
  `danger:${finding.code}:${finding.subjects.map(({ kind, id }) => `${kind} ${id}`).join(",")}:${wordsOf(finding).what}`;

const givesPower = (step: Pick<Step, "effects">) =>
  step.effects.some((effect) => effect.kind === "power" && effect.on);

/** Where in the log the board last got power by an answer that counts; -1 where it never did. */
function poweredAt(log: readonly LogEntry[]): number {
  const said = outcomes(log);
  return log.findLastIndex(
    (entry) =>
      entry.kind === "step" &&
      entry.outcome === "seen" &&
      said.get(entry.step)?.id === entry.id &&
      givesPower(entry),
  );
}

/** Isolation: nothing is wired or set until the breaker is off and every supply terminal is proved dead, since the last power. */
function isolationGates({ sheet, bundle: { log } }: Gated, step: Step): Gate[] {
  const at = sheet.findIndex(({ id }) => id === step.id);
  const behind = step.station === "wire" || step.station === "set";
  if (!behind) return [];
  const powered = poweredAt(log);
  const said = outcomes(log);
  return sheet.slice(0, at).flatMap((gate): Gate[] => {
    if (!gate.isolates) return [];
    const entry = said.get(gate.id);
    const stale = entry !== undefined && log.findIndex(({ id }) => id === entry.id) < powered;
    if (entry?.outcome === "seen" && !stale) return [];
    const values = (entry?.readings ?? []).filter(({ value }) => value > 0);
    const found = values.map(({ quantity, value, unit }) => ` ${quantity}: ${value} ${unit}.`).join("");
    const what = stale
      ? `The board has had power since it was isolated: ${gate.title}.`
      : entry
        ? `Not seen: ${gate.title}.${found}`
        : `Not done yet: ${gate.title}.`;
    return [
      {
        id: `isolation:${gate.id}:${entry?.id ?? ""}:${stale ? (log[powered]?.id ?? "") : ""}`,
        kind: "isolation",
        what,
        remedy: "Do that first: a live board kills, and a battery moves the leaf.",
        step: gate.id,
      },
    ];
  });
}

const firstUnderPower = stations.indexOf("power-up");

/** Dangers: no power while one stands. */
function dangerGates({ dangers }: Gated, step: Step): Gate[] {
  if (stations.indexOf(step.station) < firstUnderPower) return [];
  return dangers.map((danger): Gate => {
    const { what, remedy } = wordsOf(danger);
    return { id: dangerId(danger), kind: "danger", what, remedy };
  });
}

/** What a procedure needs, and that its steps follow one another. */
function needGates(gated: Gated, step: Step): Gate[] {
  const { bundle, sheet, readings } = gated;
  const { holds: said } = answersOf(gated);
  const before = sheet.find((each) => each.id === step.after);
  if (before && said.get(before.id)?.outcome !== "seen")
    return [
      {
        id: `after:${before.id}:${said.get(before.id)?.id ?? ""}`,
        kind: "needs",
        what: `Not seen yet: ${before.title}.`,
        remedy: "Its steps follow one another.",
        step: before.id,
      },
    ];
  const lastChange = bundle.log.findLast((entry) => entry.kind === "step" && entry.effects.length > 0);
  const ask = circumstancesOf(gated, stateNow(gated), readings);
  const labels = labelsOf(bundle.board);
  return (step.needs ?? [])
    .filter((need) => !conditionHolds(need, ask))
    .map((need) => conditionMust(need, labels))
    .map((must) => ({
      id: `needs:${step.id}:${must}:${lastChange?.id ?? ""}`,
      kind: "needs",
      what: `First: ${must}.`,
      remedy: "Earlier work brings it about.",
    }));
}

/** No memory is emptied before everything was noted as it was found: what is gone then can be told from nothing else. */
function notedGates({ bundle: { job, log } }: Gated, { resets, id }: Step): Gate[] {
  if (!resets) return [];
  const opened = log.findLastIndex(({ kind }) => kind === "reopened");
  const since = log.slice(opened + 1).some((entry) => entry.kind === "settings" && entry.complete);
  if (since || (opened < 0 && job.found.noted)) return [];
  return [
    {
      id: `noted:${id}:${log[opened]?.id ?? ""}`,
      kind: "needs",
      what: "The board as found is not noted yet.",
      remedy: "Note every switch, dial and value first: a reset leaves nothing to read them from.",
    },
  ];
}

/** Every gate before a step that is neither open nor passed with a reason. */
export function gatesBefore(gated: Gated, step: Step): Gate[] {
  const passed = new Set(
    gated.bundle.log.flatMap((entry) =>
      entry.kind === "gate-passed" ? entry.gates.map(({ id }) => id) : [],
    ),
  );
  return [
    ...isolationGates(gated, step),
    ...dangerGates(gated, step),
    ...notedGates(gated, step),
    ...needGates(gated, step),
  ].filter(({ id }) => !passed.has(id));
}
