import { guideKeys } from "../panel/index.ts";
import type { Station, Step } from "../runsheet/index.ts";
import type { Planned } from "../state/index.ts";
import { eventsTold, type Brain, type BrainEvent } from "../twin/index.ts";
import {
  checksOf,
  inProgram,
  openGuards,
  stillOpen,
  strayControls,
  unmetNeeds,
  type Since,
} from "./checks.ts";

/** Stations at which a wired board is commissioned; what is measured and proved comes after it. */
const commissioned: readonly Station[] = ["set", "power-up", "travel", "force", "remotes"];

/** Where someone stands who is led through the steps of a bench. */
export interface LeadNow {
  /** Its place, from 1, and of how many; one past the last when all are done. */
  at: number;
  of: number;
  /** The step at hand; undefined when all are done. */
  step?: Pick<Step, "id" | "title" | "says" | "caution" | "ifNot">;
  /** Nothing at the board tells that it was done: someone says so. */
  nod: boolean;
  /** Every key for a value of the menus, from where the panel stands, in one line. */
  keys?: string;
  /** What is not as it should be by now, a sentence each, with what to do. */
  amiss: readonly string[];
}

/** True for a step that is done in the menu that stands open: it sets or saves values, or starts something of that menu. */
function inOpenMenu({ board, panel }: Brain, { effects, gestures = [] }: Step): boolean {
  const open = board.panel?.menus.find(({ id }) => id === panel.path.at(-1)?.menu);
  return (
    effects.some(
      (effect) => effect.kind === "values" || (effect.kind === "commit" && effect.which === "values"),
    ) || gestures.some((each) => "choose" in each && open?.items.some(({ id }) => id === each.choose.item))
  );
}

/** What went another way than it should, as the board tells it. */
const wentWrong: readonly BrainEvent["kind"][] = ["refused", "aborted", "held-off", "obstructed", "fails"];

/**
 * Leads through the steps by which a wired board is commissioned, by what is seen of each at the board that runs: it goes on by
 * itself, and tells what keeps it from going on.
 */
export class Lead {
  private readonly steps: readonly Step[];
  private at = 0;
  /** Events of the board that belong to steps before the one at hand. */
  private past = 0;

  constructor(
    private readonly plan: Planned & { sheet: readonly Step[] },
    private readonly brain: Brain,
  ) {
    this.steps = plan.sheet.filter(
      ({ station, effects, gestures }) =>
        commissioned.includes(station) && (effects.length > 0 || gestures !== undefined),
    );
  }

  /** Its procedure was come to with a menu open. */
  private fromMenu = false;

  /** The procedure at hand was begun, and the board left it before it was done. */
  private brokenOff = false;

  /** The keys that were told last, and for what. */
  private told?: { asked: string; line: string };

  private get since(): Since {
    return { brain: this.brain, events: this.brain.events.slice(this.past) };
  }

  private next(): void {
    this.goes(this.at + 1);
    this.brokenOff = false;
  }

  private goes(at: number): void {
    this.at = at;
    this.past = this.brain.events.length;
    // Later steps of a procedure may open menus of their own.
    if (this.steps[this.at]?.after === undefined) this.fromMenu = this.brain.panel.path.length > 0;
  }

  private isDone(step: Step): boolean {
    const checks = checksOf(
      step,
      this.steps.some(({ after }) => after === step.id),
    );
    return checks.length > 0 && checks.every((check) => check(this.since));
  }

  /** True where the board is no longer in what the step before brought it to. */
  private isLost({ after }: Step): boolean {
    const before = this.steps.find(({ id }) => id === after);
    const { mode, running } = this.brain;
    return before !== undefined && before.during.mode !== "idle" && mode === "idle" && !running;
  }

  /** Where the procedure of a step begins. */
  private beginning(step: Step): number {
    const before = this.steps.findIndex(({ id }) => id === step.after);
    return before < 0 ? this.steps.indexOf(step) : this.beginning(this.steps[before]!);
  }

  /** Someone says that the step at hand was done. */
  nod(): void {
    if (this.at < this.steps.length) this.next();
  }

  /** Controls as they should stand before a step. */
  private before({ id, during }: Step): Step["during"]["positions"] {
    const { sheet } = this.plan;
    const at = sheet.findIndex((step) => step.id === id);
    return (sheet[at - 1]?.during ?? during).positions;
  }

  private amiss(step: Step): string[] {
    const { brain } = this;
    const wrong = this.since.events.filter(({ kind }) => wentWrong.includes(kind)).slice(-1);
    return [
      ...(this.brokenOff ? ["It was broken off before it was done: begin it again."] : []),
      ...strayControls(brain, this.before(step), step.during.positions),
      ...unmetNeeds(brain, step),
      ...(this.fromMenu && !inOpenMenu(brain, step) ? stillOpen(brain) : []),
      ...(step.id.startsWith("set:") ? inProgram(brain) : []),
      ...(brain.power && step.station !== "power-up" ? openGuards(brain) : []),
      ...eventsTold(brain, wrong),
    ];
  }

  /** Keys that set the value of a step, from where the panel stands; nothing for one that sets none by keys. */
  private keys({ effects, during }: Step): string | undefined {
    const { positions, panel } = this.brain;
    const changes = effects.flatMap((effect) =>
      effect.kind === "values" ? Object.entries(effect.to).map(([item, to]) => ({ item, to })) : [],
    );
    if (!changes.length) return undefined;
    const asked = JSON.stringify([changes, panel.path, panel.editing]);
    if (this.told?.asked !== asked) {
      const guide = guideKeys(this.plan, { ...during, positions, powered: true }, changes, panel);
      this.told = { asked, line: guide.kind === "keys" ? guide.line : "" };
    }
    return this.told.line || undefined;
  }

  /** Where it stands now; steps that are done are left behind. */
  now(): LeadNow {
    for (let step = this.steps[this.at]; step && this.isDone(step); step = this.steps[this.at]) this.next();
    const at = this.steps[this.at];
    if (at && this.isLost(at)) {
      this.goes(this.beginning(at));
      this.brokenOff = true;
    }
    const step = this.steps[this.at];
    const place = { at: this.at + 1, of: this.steps.length };
    if (!step) return { ...place, nod: false, amiss: [] };
    const { id, title, says, caution, ifNot } = step;
    const keys = this.keys(step);
    return {
      ...place,
      step: { id, title, says, ...(caution ? { caution } : {}), ...(ifNot ? { ifNot } : {}) },
      nod: checksOf(step, false).length === 0,
      ...(keys ? { keys } : {}),
      amiss: this.amiss(step),
    };
  }
}
