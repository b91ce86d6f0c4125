import { movingThing, travelMemories } from "../board/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { plainNumber } from "../quantity/index.ts";
import type { JobPlan } from "../plan/index.ts";
import { eventsTold, leavesBind, placeOf, Session, type Run } from "../twin/index.ts";
import { benchFrom } from "./replay.ts";

/** What a run shows, and the second at which it is to be seen. */
interface Shown {
  at: number;
  finding: Finding;
}

/** A job run once as planned. */
export interface Trial {
  run: Run;
  findings: Shown[];
}

/** The longest that one way is waited for, s. */
const longestWay = 420;
/** A day of a gate that lives on the sun: full cycles, and hours of full light. Assumed. */
const day = { cycles: 10, sunHours: 4 };

const looks = 0.1;

/** A day's charge that is less than this off is no drain, A·h. */
const leastDrain = 0.01;

interface Way {
  toward: "open" | "closed";
  from: number;
  /** When its leaves were seen to bind. */
  bound?: number;
}

/** Commands the leaves one way, and waits until they stand. */
function goes(session: Session, toward: Way["toward"]): Way {
  const { twin } = session.course;
  const way: Way = { toward, from: session.seconds };
  session.does({ do: { command: toward === "open" ? "open" : "close" } });
  for (let waited = 0; waited < longestWay && (waited < 1 || twin.brain.run); waited += looks) {
    session.runs(looks);
    if (way.bound === undefined && leavesBind(twin.plant)) way.bound = session.seconds;
  }
  return way;
}

/** How long what a radio wakes is awake for one passage, s. Assumed. */
const awake = 60;

/** Has a board that moves nothing itself wake what it feeds. */
function wakes(session: Session): void {
  session.does({ do: { remote: { sends: "press", times: 1, says: "at the transmitter" } } });
  session.runs(awake);
}

/** What one way shows. */
function shownOf(plan: JobPlan, session: Session, { toward, from, bound }: Way): Shown[] {
  const { brain } = session.course.twin;
  const thing = movingThing(plan.bundle.board);
  session.come();
  const events = session.course.noted.events.filter(({ at }) => at >= from);
  const told = (at: number) =>
    eventsTold(
      brain,
      events.filter((each) => each.at <= at).map(({ event }) => event),
    ).at(-1) ?? "";
  const back = events.find(
    ({ event }) => event.kind === "obstructed" || (event.kind === "moves" && event.toward !== toward),
  );
  const arrived = placeOf(brain) === toward;
  const found: Shown[] = [];
  if (bound !== undefined) found.push({ at: bound, finding: finding("run-binds", []) });
  if (back && bound === undefined)
    found.push({
      at: back.at,
      finding: finding("run-turns-back", [], { thing, told: eventsTold(brain, [back.event]).join(" ") }),
    });
  if (!arrived && !found.length) {
    const at = events.at(-1)?.at ?? from;
    const code = toward === "open" ? "run-never-opens" : "run-never-closes";
    found.push({ at, finding: finding(code, [], { thing, told: told(at) }) });
  }
  return found;
}

/** What a day takes out of the battery of a board that lives on the sun, against what the sun gives. */
function drains(session: Session, full: number): Shown[] {
  const { twin } = session.course;
  const { store } = twin;
  if (!store || twin.brain.board.supply.kind !== "solar") return [];
  const at = session.seconds;
  const cycle = (full - store.charge) * store.ampHours;
  // It sleeps once nothing stirs.
  session.runs(120);
  const rest = store.amps;
  session.does({ sun: 1 });
  session.runs(1);
  const takes = day.cycles * cycle + 24 * rest;
  const gives = day.sunHours * Math.max(0, rest - store.amps);
  if (takes - gives < leastDrain) return [];
  const text = (value: number) => plainNumber(value, 2);
  return [
    {
      at,
      finding: finding("run-drains", [{ kind: "net", id: "battery" }], {
        ...{ cycles: String(day.cycles), hours: String(day.sunHours) },
        ...{ takes: text(takes), gives: text(gives) },
        days: String(Math.max(1, Math.round(store.ampHours / (takes - gives)))),
      }),
    },
  ];
}

/**
 * Runs a job once as planned, wired as it was found, with nobody in the way: opened, and closed again. Nothing is run where
 * nothing moves and no battery lives on the sun, or where the travel is not known.
 */
export function trialOf(plan: JobPlan): Trial | undefined {
  const { board } = plan.bundle;
  const start = { seed: 1, spread: 0, from: "done" } as const;
  const session = new Session(plan, benchFrom(plan, start.from), start);
  const { brain, plant, store } = session.course.twin;
  const moves = board.leaves > 0 && Object.keys(plant.leaves).length > 0;
  const known = travelMemories(board).every((memory) => (brain.held[memory] ?? 0) > 0);
  if (!brain.power || !known || (!moves && board.supply.kind !== "solar")) return undefined;
  session.runs(0.5);
  const full = store?.charge ?? 1;
  const findings: Shown[] = [];
  if (!moves) wakes(session);
  else if (placeOf(brain) !== "closed") goes(session, "closed");
  for (const toward of moves ? (["open", "closed"] as const) : []) {
    const way = goes(session, toward);
    findings.push(...shownOf(plan, session, way));
    if (findings.length) break;
  }
  if (!findings.length) findings.push(...drains(session, full));
  return { run: session.run(), findings };
}
