import type { BehaviourId, BehaviourValue } from "../board/index.ts";
import type { Finding } from "../finding/index.ts";
import type { Positions } from "./positions.ts";

/** A behaviour a control carries: what is wanted, and what the planned position gives. */
export interface GivenBehaviour {
  behaviour: BehaviourId;
  wanted: BehaviourValue | undefined;
  given: BehaviourValue | undefined;
}

/** One control, or group of switches read together: where it stood, where it must stand, and what that gives. */
export interface PlannedControl {
  id: string;
  kind: keyof Positions;
  label: string;
  /** Ids of the switches, of the dial, or of the menu entry. */
  parts: string[];
  found: string[];
  planned: string[];
  change: boolean;
  gives: GivenBehaviour[];
  /** Gesture after which the board reads it; undefined where it acts at once. */
  commit?: string;
  /** Label of the dial that counts only with it, where it moves for that alone. */
  neededBy?: string;
}

export interface ControlPlan {
  controls: PlannedControl[];
  positions: Positions;
  findings: Finding[];
}
