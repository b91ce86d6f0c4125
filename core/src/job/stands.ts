import {
  displayPositions,
  fitBoard,
  menuValues,
  nearestText,
  selectorsOf,
  type BoardProfile,
} from "../board/index.ts";
import { clockToFraction } from "../quantity/index.ts";

/** Notes something that does not fit: its path, what was expected and found, and what to do. */
export type Report = (path: string, expected: string, found: unknown, remedy: string) => void;

/** What was noted stays noted when a card is taken out again. */
export function withEveryCard(board: BoardProfile): BoardProfile {
  return fitBoard(board, { cards: board.cards.map((card) => card.id) });
}

/** More of a kind than any board has: so many are refused as they stand, one by one they would take long to tell. */
export const mostNoted = 500;

/** Ids that the board lacks, positions its controls cannot stand at, and dials outside their sweep. */
export function checkStands(
  board: BoardProfile,
  stands: {
    links?: string[];
    switches?: Record<string, string>;
    dials?: Record<string, string>;
    values?: Record<string, string>;
  },
  path: string,
  report: Report,
): void {
  const kinds = ["links", "switches", "dials", "values"] as const;
  const crowded = kinds.filter((kind) => Object.keys(stands[kind] ?? {}).length > mostNoted);
  for (const kind of crowded)
    report(
      `${path}.${kind}`,
      `at most ${mostNoted} of them`,
      Object.keys(stands[kind]!).length,
      "Remove what the board lacks.",
    );
  if (crowded.length) return;
  const links = board.links.map((link) => link.id);
  for (const id of stands.links ?? [])
    if (!links.includes(id))
      report(`${path}.links.${id}`, `a link of the board (${links.join(", ")})`, id, "Remove it.");
  const positions = (
    kind: "switches" | "values",
    what: string,
    all: { id: string; positions: readonly string[] }[],
  ) => {
    for (const [id, at] of Object.entries(stands[kind] ?? {})) {
      const one = all.find((each) => each.id === id);
      if (!one)
        report(
          `${path}.${kind}.${id}`,
          `${what} of the board (${all.map((each) => each.id).join(", ")})`,
          id,
          "Remove it.",
        );
      else if (!one.positions.includes(at))
        report(
          `${path}.${kind}.${id}`,
          nearestText(one.positions, at),
          at,
          "Give a position it can stand at.",
        );
    }
  };
  positions("switches", "a switch", selectorsOf(board));
  positions(
    "values",
    "a menu entry",
    menuValues(board).map(({ item }) => ({ id: item.id, positions: displayPositions(item) })),
  );
  for (const [id, clock] of Object.entries(stands.dials ?? {})) {
    const dial = board.dials.find((each) => each.id === id);
    if (!dial) {
      report(
        `${path}.dials.${id}`,
        `a dial of the board (${board.dials.map((d) => d.id).join(", ")})`,
        id,
        "Remove it.",
      );
      continue;
    }
    try {
      clockToFraction(clock, dial.sweep);
    } catch {
      report(
        `${path}.dials.${id}`,
        `a time from ${dial.sweep.from} to ${dial.sweep.to}`,
        clock,
        "Read the dial again.",
      );
    }
  }
}
