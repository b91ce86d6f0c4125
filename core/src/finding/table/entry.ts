/** How much a finding matters: danger can hurt someone, a fault will not work, a caution may not, a note informs. */
export type Severity = "danger" | "fault" | "caution" | "note";

/** A code of the table: how grave it is, the trap of the trade it catches, and its three sentences. */
export interface FindingEntry {
  severity: Severity;
  /** Number of the trap in the trade's list; left out for what is no trap of that list. */
  trap?: number;
  /** What is so; `{name}` stands for a value of the finding, here and in the other two. */
  what: string;
  why: string;
  remedy: string;
}
