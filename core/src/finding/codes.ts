/** How much a finding matters: danger can hurt someone, a fault will not work, a caution may not, a note informs. */
export type Severity = "danger" | "fault" | "caution" | "note";

/** What a finding is about, so that the interface can show it there. */
export interface Subject {
  kind:
    | "terminal"
    | "link"
    | "switch"
    | "slide"
    | "jumper"
    | "dial"
    | "value"
    | "lamp"
    | "display"
    | "input"
    | "rail"
    | "slot"
    | "device"
    | "behaviour"
    | "key";
  id: string;
}

/** Every code the core can report, with its severity. The number of the trap in the trade's list stands beside it. */
export const findingCodes = {
  /** Trap 1 */ "force-off-for-learning": "fault",
  /** Trap 2 */ "protection-open": "fault",
  /** Trap 3 */ "link-beside-device": "danger",
  /** Trap 4 */ "link-missing": "fault",
  /** Trap 13 */ "dial-below-threshold": "fault",
  /** Trap 14 */ "not-committed": "fault",
  /** Trap 20 */ "ac-on-dc": "danger",
  /** Trap 29 */ "rail-overloaded": "fault",
  /** Trap 30 */ "automatic-closing-unprotected": "danger",
  /** Trap 40 */ "voltage-low": "fault",
  /** Trap 46 */ "dial-not-live": "note",
  /** Trap 39 */ "open-contact-on-closed-input": "fault",
  "contacts-chained": "note",
  "device-unplaced": "fault",
  "terminal-crowded": "caution",
  "value-rounded": "note",
  "value-out-of-reach": "caution",
  "behaviours-fight": "fault",
  "behaviour-not-settable": "caution",
  "fixed-otherwise": "caution",
  "leaf-without-drive": "fault",
  "leaf-without-stops": "fault",
  "firmware-unknown": "caution",
  "plan-not-proved": "caution",
} as const satisfies Record<string, Severity>;

export type FindingCode = keyof typeof findingCodes;

/** Something the core has to say against a plan or a state; its sentences come from `wordsOf`. */
export interface Finding {
  code: FindingCode;
  severity: Severity;
  subjects: Subject[];
  /** What the sentences need: names and numbers with their unit already in the text. */
  values: Record<string, string>;
}

/** A finding of this code about these subjects. */
export function finding(
  code: FindingCode,
  subjects: Subject[],
  values: Record<string, string> = {},
): Finding {
  return { code, severity: findingCodes[code], subjects, values };
}
