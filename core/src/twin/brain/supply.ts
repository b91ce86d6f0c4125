import type { Fall } from "../../board/index.ts";
import { panelAtRest } from "../../panel/index.ts";
import { holds } from "./ask.ts";
import { say, type Brain } from "./brain.ts";
import { begin } from "./program.ts";
import { stop } from "./run.ts";

/** Power comes or goes: what ran is over, and programs that begin with power do. */
export function power(brain: Brain, on: boolean): void {
  if (brain.power === on) return;
  brain.running = undefined;
  brain.pause = undefined;
  brain.fall = undefined;
  brain.fault = undefined;
  brain.storing = undefined;
  brain.shown = undefined;
  brain.boot = undefined;
  brain.resumes = undefined;
  stop(brain);
  brain.power = on;
  brain.mode = "idle";
  brain.panel = panelAtRest(brain.board, brain.panel.kept);
  say(brain, { kind: "power", on });
  if (!on) return;
  const [first] = brain.board.boots;
  if (first) brain.boot = { screen: 0, left: first.seconds };
  const program = brain.board.programs.find(
    ({ on: triggers, when }) => triggers.some((each) => each.power === "on") && holds(brain, when),
  );
  if (program) begin(brain, program);
}

/** What a board does without mains, or with a low battery, begins to count. */
function beginsFall(brain: Brain, on: Fall["on"]): void {
  const row = brain.board.falls.find((each) => each.on === on && holds(brain, each.when));
  if (!row) return;
  brain.fall = { row, left: row.afterSeconds, done: false };
  if (row.code !== undefined) brain.fault = row.code;
}

function endsFall(brain: Brain, until: Fall["until"]): void {
  const { fall } = brain;
  if (fall?.row.until !== until) return;
  brain.fall = undefined;
  if (brain.fault === fall.row.code) brain.fault = undefined;
}

/** The board finds its battery low, or good again. */
export function findsBattery(brain: Brain, is: Brain["battery"]): void {
  brain.battery = is;
  if (is === "low") beginsFall(brain, "battery-low");
  else endsFall(brain, "charged");
}

/** The mains or the battery fail: of the first a board without a battery goes dark. */
export function fails(brain: Brain, what: "mains" | "battery"): void {
  if (what === "battery") {
    brain.world?.drains(true);
    return findsBattery(brain, "low");
  }
  brain.mains = false;
  if (brain.world?.lives() === false) power(brain, false);
  else beginsFall(brain, "mains-lost");
}

export function returns(brain: Brain, what: "mains" | "battery"): void {
  if (what === "battery") {
    brain.world?.drains(false);
    return findsBattery(brain, "good");
  }
  brain.mains = true;
  endsFall(brain, "mains");
}
