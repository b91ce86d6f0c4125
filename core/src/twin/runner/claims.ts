import { memoriesIn, type Claims } from "../../board/index.ts";
import { foundPositions } from "../../controls/index.ts";
import { placeOf, type Brain, type BrainEvent } from "../brain/index.ts";

/** Something a step claims and the board does otherwise, or does and the step does not claim. */
export interface Mismatch {
  step: string;
  what: string;
  claimed: string;
  caused: string;
}

/** Which ways the leaves went, one after the other; with a number where of two only that one moved. */
export function movesIn(events: readonly BrainEvent[], leaves: number): string[] {
  return events
    .flatMap((event) => {
      if (event.kind !== "moves") return [];
      const [which] = event.leaves;
      return [leaves > event.leaves.length ? `${event.toward} ${which === "first" ? 1 : 2}` : event.toward];
    })
    .filter(unlikeBefore);
}

const unlikeBefore = (move: string, at: number, all: readonly string[]) => move !== all[at - 1];

/** Claimed moves as they are on a site with so many leaves. */
const claimedMoves = (moves: readonly string[], leaves: number): string[] =>
  leaves > 1
    ? [...moves]
    : moves
        .filter((move) => !move.endsWith(" 2"))
        .map((move) => move.replace(" 1", ""))
        .filter(unlikeBefore);

const memoriesOf = (events: readonly BrainEvent[], kind: "learned" | "forgot" | "added" | "dropped") =>
  events.flatMap((event) => (event.kind === kind ? [event.memory] : []));

const text = (list: readonly string[]) => [...new Set(list)].sort().join(", ") || "nothing";

/** What a step claims, held against what happened while it lasted and how the board stands now. */
export function compare(
  step: string,
  claims: Claims,
  brain: Brain,
  events: readonly BrainEvent[],
): Mismatch[] {
  const found: Mismatch[] = [];
  const same = (what: string, claimed: string, caused: string) => {
    if (claimed !== caused) found.push({ step, what, claimed, caused });
  };
  const lists = { learn: "learned", forget: "forgot", add: "added", drop: "dropped" } as const;
  for (const [key, kind] of Object.entries(lists))
    same(key, text(memoriesIn(claims[key as keyof typeof lists])), text(memoriesOf(events, kind)));
  same(
    "moves",
    claimedMoves(claims.moves ?? [], brain.leaves).join(", "),
    movesIn(events, brain.leaves).join(", "),
  );
  if (claims.power !== undefined) same("power", String(claims.power), String(brain.power));
  if (claims.mode !== undefined) same("mode", claims.mode, brain.mode);
  else {
    const modes = events.flatMap((event) => (event.kind === "mode" ? [event.mode] : []));
    same("mode", "unchanged", modes.length ? brain.mode : "unchanged");
  }
  if (claims.leaf !== undefined) same("leaf", claims.leaf, placeOf(brain));
  const beeps = events.reduce((sum, event) => sum + (event.kind === "beeps" ? event.times : 0), 0);
  same("beeps", String(claims.beeps ?? 0), String(beeps));
  if (claims.code !== undefined) same("code", claims.code, brain.fault ?? "none");
  const shows = events.flatMap((event) => (event.kind === "shows" ? [event.text] : []));
  same("shows", claims.shows ?? "nothing of its own", shows.join(", ") || "nothing of its own");
  if (claims.tests)
    same(
      "tests",
      text(claims.tests),
      text(events.flatMap((event) => (event.kind === "tests" ? [event.input] : []))),
    );
  const commit = brain.board.commits.find(({ id }) => id === claims.commit);
  if (commit) {
    const read = events.some((event) => event.kind === "committed" && event.which === commit.for);
    same("commit", commit.id, read ? commit.id : "nothing read");
  }
  if (claims.restores !== undefined) {
    const { values } = foundPositions(brain.board);
    const restored = JSON.stringify(brain.inForce.values) === JSON.stringify(values);
    const said = events.some((event) => event.kind === "restored");
    same("restores", claims.restores, restored && said ? claims.restores : "nothing");
  }
  return found;
}
