import type { Condition, Gesture, Provenance, ReactionMoment } from "../board/index.ts";
import type { Subject } from "../finding/index.ts";
import type { Positions } from "../controls/index.ts";
import type { Mechanic, StateEffect } from "../job/index.ts";
import type { ContactPart } from "../node/index.ts";
import type { BenchState, LampLook, LampState } from "../state/index.ts";

/** Stations of a job, in the order of the work. */
export const stations = [
  "survey",
  "wire",
  "set",
  "power-up",
  "travel",
  "force",
  "remotes",
  "prove",
  "hand-over",
] as const;

export type Station = (typeof stations)[number];

/** Something to be seen: a lamp's state with its reason, what the display shows, or a sentence about leaf, drive or instrument. */
export type Seen =
  | {
      kind: "lamp";
      lamp: string;
      label: string;
      is: LampState;
      was: LampState;
      why: string;
      look?: LampLook;
      /** What it shows for a while before it is as it is. */
      meanwhile?: LampState;
    }
  | { kind: "display"; text: string }
  | { kind: "text"; text: string };

/** Where the leaf is while a contact is tripped. */
export interface Proof {
  leaf: ReactionMoment;
  /** The contact itself commands, and is let go again. */
  commands?: true;
}

/** A measurement a step asks for. */
export interface ReadingAsked {
  quantity: string;
  unit: string;
  most?: number;
  least?: number;
  /** Where the limit comes from. */
  source?: string;
}

/** Something an answer rests on, in words: "Closing speed" is "40 %". */
export interface Fact {
  fact: string;
  is: string;
}

/**
 * What happens on site that makes an earlier answer void: memories learned anew or forgotten, cores of devices moved,
 * controls left otherwise than they are planned, something changed at the leaf or its drive.
 */
export interface VoidBy {
  learned?: readonly Named[];
  forgotten?: readonly Named[];
  moved?: readonly Named[];
  controls?: readonly (Named & { kind: keyof Positions; at: string })[];
  mechanics?: readonly Mechanic[];
}

/** A memory or a device with what people call it. */
export interface Named {
  id: string;
  name: string;
}

/** A step before it has its place in the order of the work. */
export interface StepDraft {
  /** Made of what the step does, so that a changed plan asks for it again. */
  id: string;
  station: Station;
  title: string;
  says: string;
  /** Said aloud in place of `says`, where the card shows a list beside the sentence. */
  spoken?: string;
  caution?: string;
  gesture?: Gesture;
  /** Everything that is done by hand in a step of a procedure, one after the other. */
  gestures?: readonly Gesture[];
  /** The board's profile says what this does and has no program that causes it: it is claimed, not computed. */
  claimed?: true;
  /** A control to be moved: its planned positions in the order of its parts. */
  control?: string;
  cores?: readonly string[];
  link?: string;
  effects: readonly StateEffect[];
  /** What the display shows while the step lasts, where the profile says so. */
  shows?: string;
  /** Contact tripped while the step lasts: at rest, or as it is proved. */
  trips?: ContactPart;
  proves?: Proof;
  alsoSee?: readonly string[];
  /** Lamps to look at even when they do not change. */
  alwaysSee?: readonly string[];
  ifNot?: string;
  /** Measurements the step asks for, each with a field of its own. */
  readings?: readonly ReadingAsked[];
  needs?: readonly Condition[];
  /** The step of the same procedure that comes right before it. */
  after?: string;
  /** It joined the sheet by itself, with the reason. */
  begun?: { entry: string; reason: string };
  /** It empties a memory: everything must have been noted as found first. */
  resets?: true;
  /** A gate of the isolation: nothing is touched behind it until it was seen. */
  isolates?: true;
  source?: Provenance;
  /** What its answer rests on, as it is planned. */
  rests?: readonly Fact[];
  /** What makes its answer void when it happens afterwards. */
  voidBy?: VoidBy;
  subjects: Subject[];
}

/** A step of the run sheet; what should be seen of it is played on the moving installation when it is asked for. */
export interface Step extends StepDraft {
  /** The bench while the step's result is to be seen. */
  during: BenchState;
}
