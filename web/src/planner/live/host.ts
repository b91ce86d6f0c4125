import {
  benchFrom,
  boardOnSite,
  eventsTold,
  faultChoices,
  faceOf,
  fillFrame,
  frameLayout,
  Lead,
  parseRunFile,
  placeOf,
  planJob,
  practiceBundle,
  replay,
  Session,
  tickSeconds,
  wiresOf,
  type BenchState,
  type BoardProfile,
  type BrainEvent,
  type Core,
  type DeviceProfile,
  type FaultChoice,
  type FrameLayout,
  type Job,
  type JobBundle,
  type LeadNow,
  type LiveAct,
  type LiveStart,
  type PartKey,
  type Positions,
  type Run,
  type RunFile,
  type TwinFault,
} from "@anvilcloud/core";

/** What runs on a live bench: a job, or a board by itself with what fits it of a catalogue. */
export type LiveGiven =
  | { kind: "job"; bundle: JobBundle }
  | { kind: "board"; board: BoardProfile; catalogue: readonly DeviceProfile[] };

/** What stands on a live bench and stays as it is. */
export interface LiveInfo {
  /** The profile as it is read on this site. */
  board: BoardProfile;
  job: Job;
  layout: FrameLayout;
  devices: { id: string; name: string; profile: DeviceProfile }[];
  cores: readonly Core[];
  links: BenchState["links"];
  /** Contacts that notice who comes: between which places along the road, m; inside is positive. */
  fields: readonly { key: PartKey; from: number; to: number }[];
  /** Every single fault that can be put in. */
  faults: readonly FaultChoice[];
  cards: readonly string[];
  hasBattery: boolean;
}

/** Something that happened, at its time, s. */
interface LiveTold {
  at: number;
  text: string;
}

/** What changes now and then. */
export interface LiveNews {
  seconds: number;
  display: string;
  powered: boolean;
  mains: boolean;
  place: ReturnType<typeof placeOf>;
  toward?: "open" | "closed";
  positions: Positions;
  faults: readonly TwinFault[];
  /** What was told since the last news. */
  told: readonly LiveTold[];
  beeps: readonly { times: number; long: boolean }[];
  /** It stands still until time is let run again. */
  paused: boolean;
  /** Where someone stands who commissions it step by step. */
  lead: LeadNow;
}

interface LiveEars {
  /** Every numbers are a frame's, to be read with the layout. */
  frame(numbers: Float64Array): void;
  news(news: LiveNews): void;
}

/** A run that was kept, with the mark of its end. */
interface Kept {
  file: RunFile;
  mark: string;
}

/** What was done before a bench begins, and the second at which it stands then. */
export interface LivePast {
  script: Run["script"];
  seconds: number;
}

/** A bench that runs, worked from afar. */
export interface LiveHost {
  /** Begins anew, or at a moment of something past; what ran before is gone. Throws what planning throws. */
  begin(given: LiveGiven, start: LiveStart, ears: LiveEars, past?: LivePast): Promise<LiveInfo>;
  does(act: LiveAct): Promise<void>;
  key(key: string, goes: "down" | "up"): Promise<void>;
  /** How many times as fast as it is; 0 stands still. */
  pace(times: number): Promise<void>;
  /** Runs until something happens at the board, and stands still then; false where nothing does. */
  toEvent(): Promise<boolean>;
  /** The step at hand was done, though nothing at the board tells it. */
  nod(): Promise<void>;
  kept(): Promise<Kept | undefined>;
  /** Plays a run file to its end; the mark it comes to. Throws ProblemsError. */
  replayed(file: unknown): Promise<{ mark: string; seconds: number }>;
  end(): Promise<void>;
}

/** Between two frames, ms. */
const frameMs = 16;
/** Longest stretch that is made up for at once, such as after the machine slept, s. */
const longestLag = 0.25;

interface Clock {
  now(): number;
  every(ms: number, does: () => void): () => void;
}

const ownClock: Clock = {
  now: () => performance.now(),
  every: (ms, does) => {
    const timer = setInterval(does, ms);
    return () => clearInterval(timer);
  },
};

/** A bench that is being played: its session, whoever listens, and how fast it goes. */
class Bench {
  private pace = 1;
  private heard = 0;
  private owed = 0;
  private last: number;
  private faults: readonly TwinFault[] = [];
  private shown = "";
  private readonly stop: () => void;

  constructor(
    readonly session: Session,
    readonly bundle: JobBundle,
    readonly layout: FrameLayout,
    private readonly lead: Lead,
    private readonly ears: LiveEars,
    private readonly clock: Clock,
  ) {
    this.last = clock.now();
    this.stop = clock.every(frameMs, () => this.passes());
    this.tells();
  }

  /** Time passes as it has passed outside, or so many times as fast; while fingers are at keys no faster than it is. */
  private passes(): void {
    const now = this.clock.now();
    const lag = Math.min(longestLag, (now - this.last) / 1_000);
    this.last = now;
    if (this.pace === 0) return;
    // What is less than a step is kept for the next time: else time would fall behind.
    this.owed += lag * (this.session.busy ? Math.min(1, this.pace) : this.pace);
    const steps = Math.floor(this.owed / tickSeconds + 1e-6);
    this.owed -= steps * tickSeconds;
    this.session.runs(steps * tickSeconds);
    this.tells();
  }

  private tells(): void {
    const { twin } = this.session.course;
    const numbers = new Float64Array(this.layout.length);
    fillFrame(twin, this.layout, numbers, this.session.held);
    this.ears.frame(numbers);
    const events = this.session.course.noted.events.slice(this.heard);
    const { told, ...news } = this.news(events);
    const shown = JSON.stringify({ ...news, seconds: 0 });
    if (shown === this.shown && !told.length) return;
    this.heard += events.length;
    this.shown = shown;
    this.ears.news({ ...news, told });
  }

  private news(events: readonly { at: number; event: BrainEvent }[]): LiveNews {
    const { brain } = this.session.course.twin;
    return {
      ...{ seconds: this.session.seconds, display: faceOf(brain).display, powered: brain.power },
      ...{ mains: brain.mains, place: placeOf(brain), positions: brain.positions, faults: this.faults },
      ...(brain.run ? { toward: brain.run.toward } : {}),
      told: events.flatMap(({ at, event }) => eventsTold(brain, [event]).map((text) => ({ at, text }))),
      beeps: events.flatMap(({ event }) =>
        event.kind === "beeps" ? [{ times: event.times, long: event.long ?? false }] : [],
      ),
      paused: this.pace === 0,
      lead: this.lead.now(),
    };
  }

  does(act: LiveAct): void {
    if (act.faults) this.faults = act.faults;
    this.session.does(act);
    this.tells();
  }

  key(key: string, goes: "down" | "up"): void {
    this.session.key(key, goes);
    // Nobody can hold a key while time stands still.
    if (this.pace === 0 && goes === "up") this.session.runs(0.01);
    this.tells();
  }

  setPace(times: number): void {
    this.pace = times;
    this.last = this.clock.now();
    this.tells();
  }

  toEvent(): boolean {
    const came = this.session.runsToEvent();
    this.setPace(0);
    return came;
  }

  nod(): void {
    this.lead.nod();
    this.tells();
  }

  end(): void {
    this.stop();
  }
}

/** Does again what was done, up to a moment. */
function relives(session: Session, { script, seconds }: LivePast): void {
  const until = (at: number) => session.runs(Math.max(0, at - session.seconds));
  for (const { at, ...act } of script) {
    if (at > seconds) break;
    until(at);
    session.does(act);
  }
  until(seconds);
}

/** A host that runs where it is made: in the worker, or in a test. */
export function createLive(clock: Clock = ownClock): LiveHost {
  let bench: Bench | undefined;
  return {
    begin(given, start, ears, past) {
      bench?.end();
      const bundle = given.kind === "job" ? given.bundle : practiceBundle(given.board, given.catalogue);
      const plan = planJob(bundle);
      const state = benchFrom(plan, start.from);
      const session = new Session(plan, state, start);
      if (past) relives(session, past);
      const layout = frameLayout(session.course.twin);
      const lead = new Lead(plan, session.course.twin.brain);
      bench = new Bench(session, bundle, layout, lead, ears, clock);
      if (past) bench.setPace(0);
      return Promise.resolve({
        ...{ board: boardOnSite(bundle.job, bundle.board), job: bundle.job, layout },
        devices: plan.wiring.devices.map(({ id, name, profile }) => ({ id, name, profile })),
        ...{ cores: wiresOf(plan.wiring, state), links: state.links, cards: bundle.job.cards ?? [] },
        hasBattery: session.course.twin.store !== undefined,
        fields: session.course.twin.traffic.watches.map(({ key, from, to }) => ({ key, from, to })),
        faults: faultChoices(plan),
      });
    },
    does: (act) => Promise.resolve(bench?.does(act)),
    key: (key, goes) => Promise.resolve(bench?.key(key, goes)),
    pace: (times) => Promise.resolve(bench?.setPace(times)),
    toEvent: () => Promise.resolve(bench?.toEvent() ?? false),
    nod: () => Promise.resolve(bench?.nod()),
    kept: () =>
      Promise.resolve(
        bench && {
          file: { run: bench.session.run(), bundle: bench.bundle },
          mark: bench.session.come().mark,
        },
      ),
    replayed(file) {
      const { mark, seconds } = replay(parseRunFile(file));
      return Promise.resolve({ mark, seconds });
    },
    end() {
      bench?.end();
      bench = undefined;
      return Promise.resolve();
    },
  };
}
