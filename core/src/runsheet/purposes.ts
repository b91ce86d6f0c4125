import { memoriesIn, menuValues, type BoardProfile, type Procedure } from "../board/index.ts";
import type { Planned } from "../state/index.ts";

type Holds = BoardProfile["memories"][number]["holds"];

/** What a board has for one purpose; none where it is not known for this board, or for the drive that is there. */
export interface WorkPurpose {
  id: string;
  text: string;
  procedures: Procedure[];
  /** Why there is nothing to be known, a sentence: the board has nothing of the kind. */
  absent?: string;
}

/** True for a procedure that empties memories of this kind, as a whole or in one of its steps. */
const empties =
  (holds: Holds) =>
  ({ memories }: BoardProfile, { clears, steps }: Procedure): boolean => {
    const forgotten = [...clears, ...steps.flatMap(({ claims }) => memoriesIn(claims.forget))];
    return memories.some((memory) => memory.holds === holds && forgotten.includes(memory.id));
  };

const ofKind =
  (...kinds: Procedure["kind"][]) =>
  (_board: BoardProfile, { kind }: Procedure): boolean =>
    kinds.includes(kind);

const noRemotes = ({ memories }: BoardProfile): string | undefined =>
  memories.some(({ holds }) => holds === "remotes") ? undefined : "This board remembers no remotes.";

const noValues = (board: BoardProfile): string | undefined =>
  menuValues(board).length ? undefined : "This board keeps no values: switches and dials are set by hand.";

/** What someone may need a procedure for, whatever a board calls it. */
const purposes: readonly {
  id: string;
  text: string;
  fits: (board: BoardProfile, procedure: Procedure) => boolean;
  absent?: (board: BoardProfile) => string | undefined;
}[] = [
  { id: "clear-speed", text: "Clear a damaged learned speed", fits: empties("speed") },
  { id: "forget-travel", text: "Forget the travel", fits: empties("travel") },
  { id: "learn-again", text: "Learn again", fits: ofKind("learn") },
  { id: "direction", text: "Look at the direction again", fits: ofKind("direction") },
  { id: "erase-all", text: "Erase all remotes", fits: empties("remotes"), absent: noRemotes },
  {
    id: "erase-one",
    text: "Erase one remote",
    fits: (_, { steps }) => steps.some(({ claims }) => claims.drop !== undefined),
    absent: noRemotes,
  },
  { id: "pair", text: "Pair a transmitter", fits: ofKind("pair"), absent: noRemotes },
  {
    id: "restore",
    text: "Values as delivered",
    fits: (_, { steps }) => steps.some(({ claims }) => claims.restores),
    absent: noValues,
  },
  { id: "self-test", text: "Self-test", fits: ofKind("self-test") },
  { id: "mechanical", text: "Mechanical work and alignment", fits: ofKind("mechanical", "cycle") },
];

/** A procedure at the limits is known for drives with limit switches only. */
function suitsDrives(planned: Planned, { manner }: Procedure): boolean {
  if (manner !== "by-limits") return true;
  const drives = planned.wiring.devices.flatMap(({ profile }) => profile.limits ?? []);
  return drives.every((limits) => limits === "switches" || limits === "series" || limits === "one-core");
}

/**
 * Everything that can be begun on a job because it is needed, by what it is for; a purpose the board has nothing for is
 * there with nothing, for that is worth knowing too. What fits no purpose stands last.
 */
export function purposesOf(planned: Planned): WorkPurpose[] {
  const { board } = planned.bundle;
  const known = board.procedures.filter((procedure) => suitsDrives(planned, procedure));
  const taken = purposes.map(({ id, text, fits, absent }): WorkPurpose => {
    const procedures = known.filter((procedure) => fits(board, procedure));
    const why = procedures.length ? undefined : absent?.(board);
    return { id, text, procedures, ...(why === undefined ? {} : { absent: why }) };
  });
  const left = known.filter((procedure) => !taken.some(({ procedures }) => procedures.includes(procedure)));
  return [
    ...taken,
    ...(left.length ? [{ id: "other", text: "Others of this board", procedures: left }] : []),
  ];
}
