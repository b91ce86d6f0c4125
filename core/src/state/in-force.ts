import {
  behaviour,
  behaviourIds,
  behaviourText,
  controlName,
  entryName,
  menuValues,
  type BoardProfile,
} from "../board/index.ts";
import { behavioursAt, controlKinds, movedControls, type Positions } from "../controls/index.ts";
import type { BenchState, Planned } from "./bench.ts";

/** Controls of one kind that were moved and that the board has not read yet. */
export interface Pending {
  kind: keyof Positions;
  controls: string[];
  /** The gesture that has them read, or saves them. */
  gesture: string;
  /** What changes with it, behaviour by behaviour: what is in force now, and what will be. */
  will: { label: string; from: string; to: string }[];
  /** Values that go back where the list is left without being saved, each with what it goes back to. */
  loses: string[];
}

/** What is in force at a board, and what is not yet. */
export interface InForce {
  pending: Pending[];
  /** Entries that change by themselves, such as a flag for values as delivered, and when. */
  flips: { name: string; when: string }[];
}

const partName = (board: BoardProfile, kind: keyof Positions, id: string): string => {
  const dial = board.dials.find((each) => kind === "dials" && each.id === id);
  const entry = menuValues(board).find(({ item }) => kind === "values" && item.id === id);
  return dial ? controlName(dial) : entry ? entryName(entry.item) : id;
};

/** What was moved and is not read, what its gesture will do, what is lost without it, and what flips by itself. */
export function inForceAt({ bundle: { board } }: Pick<Planned, "bundle">, state: BenchState): InForce {
  const moved = movedControls(state.positions, state.inForce);
  const now = behavioursAt(board, state.inForce);
  return {
    pending: controlKinds.flatMap((kind): Pending[] => {
      const commit = board.commits.find((each) => each.for === kind);
      if (!commit || !moved[kind].length) return [];
      const then = behavioursAt(board, { ...state.inForce, [kind]: state.positions[kind] });
      const told = (given: typeof now, id: (typeof behaviourIds)[number]) =>
        given[id] === undefined ? "nothing" : behaviourText(id, given[id]);
      return [
        {
          kind,
          controls: moved[kind].map((id) => partName(board, kind, id)),
          gesture: commit.says,
          will: behaviourIds
            .filter((id) => now[id] !== then[id])
            .map((id) => ({ label: behaviour(id).label, from: told(now, id), to: told(then, id) })),
          loses:
            kind === "values"
              ? moved[kind].map(
                  (id) =>
                    `${partName(board, kind, id)} goes back to ${state.inForce.values[id] ?? "what it was"}`,
                )
              : [],
        },
      ];
    }),
    flips: (board.panel?.menus ?? []).flatMap(({ items }) =>
      items.flatMap((item) => (item.flips ? [{ name: entryName(item), when: item.flips }] : [])),
    ),
  };
}
