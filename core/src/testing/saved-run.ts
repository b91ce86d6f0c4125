import { engineVersion, runFormat } from "../twin/index.ts";
import { demoBundle } from "./shipped.ts";

/** Ten minutes at a gate of two leaves, all its steps done: commands, people, a vehicle, faults, and the mains failing. */
export const savedRun = () => ({
  run: {
    format: runFormat,
    engine: engineVersion,
    seed: 20_261_127,
    from: "done",
    seconds: 600,
    spread: 0.1,
    script: [
      { at: 2, do: { command: "open" } },
      { at: 30, comes: { is: "vehicle", goes: "in" } },
      { at: 60, do: { command: "close" } },
      { at: 68, comes: { is: "person", goes: "out", stands: { at: 0.2, seconds: 12 } } },
      { at: 140, faults: [{ kind: "wind", metresPerSecond: 12 }] },
      { at: 150, do: { command: "open" } },
      { at: 190, do: { command: "close" } },
      { at: 240, faults: [{ kind: "dry-hinge", leaf: "second", wear: 30 }] },
      { at: 250, do: { command: "step" } },
      { at: 300, do: { command: "step" } },
      { at: 350, faults: [] },
      { at: 360, do: { fails: "mains" } },
      { at: 380, do: { command: "open" } },
      { at: 430, do: { returns: "mains" } },
      { at: 440, do: { command: "close" } },
      { at: 500, comes: { is: "person", goes: "past" } },
    ],
  },
  bundle: demoBundle("ropewalk"),
});
