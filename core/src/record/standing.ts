/** How a job stands, by its log; what waits is told by its installer, or has a step that was not seen. */
export const jobStandings = ["not-begun", "under-way", "waiting", "opened-again", "handed-over"] as const;
export type JobStanding = (typeof jobStandings)[number];

/** What a job's standing follows from. */
export interface StandingFacts {
  /** Steps that are answered, and those of them that were not seen as they should be. */
  answered: number;
  unseen: number;
  /** The last entry that closed it or opened it again. */
  closing?: "handed-over" | "reopened" | undefined;
  /** What it waits for, as its installer says; empty where for nothing. */
  waitsFor: string;
}

/** How a job stands: a hand-over outweighs all else, and what waits outweighs what is under way. */
export function jobStanding({ answered, unseen, closing, waitsFor }: StandingFacts): JobStanding {
  if (closing === "handed-over") return "handed-over";
  if (waitsFor || unseen > 0) return "waiting";
  if (closing === "reopened") return "opened-again";
  return answered > 0 ? "under-way" : "not-begun";
}
