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
    | "cable"
    | "net"
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
  "rail-inrush": "caution",
  /** Trap 30 */ "automatic-closing-unprotected": "danger",
  /** Trap 5 */ "source-reversed": "danger",
  /** Trap 8 */ "alignment-jumper-on": "fault",
  /** Trap 18 */ "plugged-while-live": "fault",
  /** Trap 19 */ "converter-too-small": "fault",
  /** Trap 19 */ "converter-asks-too-much": "fault",
  /** Trap 19 */ "voltage-over": "danger",
  /** Trap 28 */ "radio-card-missing": "fault",
  /** Trap 31 */ "rail-sleeps": "fault",
  "rail-never-sleeps": "caution",
  /** Trap 35 */ "clearance-short": "danger",
  /** Trap 37 */ "drive-on-wrong-output": "fault",
  /** Trap 38 */ "test-without-wire": "fault",
  /** Trap 38 */ "wired-but-not-tested": "caution",
  /** Trap 42 */ "source-of-another-voltage": "danger",
  /** Trap 44 */ "plugs-swapped": "danger",
  /** Trap 47 */ "battery-left-connected": "danger",
  "core-misplaced": "fault",
  "core-elsewhere": "note",
  "core-on-mains": "danger",
  "supply-reversed": "danger",
  "rail-shorted": "danger",
  "mains-beside-low": "danger",
  "pin-impossible": "caution",
  "converters-in-a-ring": "fault",
  "circuit-unsolved": "caution",
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
