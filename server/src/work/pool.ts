import { existsSync } from "node:fs";
import { availableParallelism } from "node:os";
import { fileURLToPath } from "node:url";
import { MessageChannel } from "node:worker_threads";
import { Piscina } from "piscina";
import { limit } from "./limit.ts";
import { Overloaded } from "./overloaded.ts";
import { errorOf } from "./refusal.ts";
import type { TaskName, Tasks } from "./tasks.ts";
import type { Order, Outcome } from "./worker.ts";

/** How a kind of work is held apart from the rest, so that much of one never keeps another waiting. */
export interface Lane {
  threads: number;
  /** Tasks that may wait; one more is refused. */
  waiting: number;
  /** How long a task may compute once it is begun, ms. */
  mostMs: number;
  /** When to ask again, s. */
  retryAfterS: number;
  /** Most memory of a thread, MB. */
  memoryMb: number;
}

type LaneName = "plan" | "run" | "read" | "import";

/** Lanes as they are on a machine that does nothing else. */
export const usualLanes: Record<LaneName, Lane> = {
  plan: {
    threads: Math.max(1, availableParallelism() - 1),
    waiting: 16,
    mostMs: 60_000,
    retryAfterS: 20,
    memoryMb: 1_024,
  },
  // A sweep goes on for hours: whoever plans meanwhile is not kept waiting.
  run: {
    threads: Math.max(1, availableParallelism() - 1),
    waiting: 16,
    mostMs: 120_000,
    retryAfterS: 20,
    memoryMb: 1_024,
  },
  read: { threads: 1, waiting: 50, mostMs: 30_000, retryAfterS: 2, memoryMb: 512 },
  import: { threads: 1, waiting: 4, mostMs: 600_000, retryAfterS: 30, memoryMb: 1_024 },
};

const laneOf: Record<TaskName, LaneName> = {
  plan: "plan",
  run: "run",
  sweep: "run",
  sweepCase: "run",
  sights: "run",
  board: "read",
  device: "read",
  importJob: "import",
};

/** Does tasks apart from answering. */
export interface Work {
  /** How many tasks of a kind are done at once. */
  atOnce(name: TaskName): number;
  /** Throws what the task throws; Overloaded where there is no room for it or it takes too long. `gone` gives it up. */
  run<N extends TaskName>(
    name: N,
    input: Parameters<Tasks[N]>[0],
    gone?: AbortSignal,
  ): Promise<Awaited<ReturnType<Tasks[N]>>>;
  /** Gives up what is under way or waits, and ends the threads. */
  close(): Promise<void>;
}

/** Threads give way to the thread that answers by so many steps of the scheduler. */
const niceness = 10;
/** Threads that have nothing to do end after so long, ms. */
const idleMs = 60_000;

/** What a thread runs, and how Node is told to. */
interface WorkerFile {
  filename: string;
  execArgv: string[];
}

/** The worker as it was built, or as it was written where nothing is built. */
function workerFile(): WorkerFile {
  const built = fileURLToPath(new URL("./worker.js", import.meta.url));
  if (existsSync(built)) return { filename: built, execArgv: [] };
  return { filename: fileURLToPath(new URL("./worker.ts", import.meta.url)), execArgv: ["--import", "tsx"] };
}

/** Threads of a lane, and what gives up each task that has not begun yet. */
interface Threads {
  pool: Piscina<Order, Outcome>;
  notBegun: Set<() => void>;
}

function threadsOf({ threads, waiting, memoryMb }: Lane, worker: WorkerFile): Threads {
  const notBegun = new Set<() => void>();
  const pool = new Piscina<Order, Outcome>({
    ...worker,
    minThreads: 0,
    maxThreads: threads,
    maxQueue: waiting,
    idleTimeout: idleMs,
    niceIncrement: niceness,
    resourceLimits: { maxOldGenerationSizeMb: memoryMb },
  });
  // A thread that fell before its task began would have it wait for ever; unheard, its fall would end the server.
  pool.on("error", () => {
    for (const giveUp of notBegun) giveUp();
  });
  return { pool, notBegun };
}

/** Worker threads for the tasks, a few for each kind of work, none until there is work. */
export function createWork(lanes: Record<LaneName, Lane> = usualLanes, worker = workerFile()): Work {
  const pools = new Map<string, Threads>();
  let closed = false;

  const poolOf = (name: LaneName) => {
    const threads = pools.get(name) ?? threadsOf(lanes[name], worker);
    pools.set(name, threads);
    return threads;
  };

  return {
    atOnce: (name) => lanes[laneOf[name]].threads,
    async run(name, input, gone) {
      const lane = lanes[laneOf[name]];
      const busy = (why: string) => new Overloaded(why, lane.retryAfterS);
      if (closed) throw busy("The server is stopping. Nothing was saved; try again in a moment.");
      const { pool, notBegun } = poolOf(laneOf[name]);
      if (pool.queueSize >= lane.waiting)
        throw busy("The server has too much to do just now. Nothing was saved; try again in a moment.");
      const [late, fallen] = [new AbortController(), new AbortController()];
      const giveUp = () => fallen.abort();
      notBegun.add(giveUp);
      const { port1: told, port2: begun } = new MessageChannel();
      let unwatch = (): void => {};
      told.once("message", () => {
        notBegun.delete(giveUp);
        unwatch = limit(lane.mostMs, () => late.abort());
      });
      try {
        const signal = AbortSignal.any([late.signal, fallen.signal, ...(gone ? [gone] : [])]);
        const outcome = await pool.run({ name, input, begun }, { transferList: [begun], signal });
        if ("refusal" in outcome) throw errorOf(outcome.refusal);
        return outcome.result as never;
      } catch (error) {
        const seconds = lane.mostMs / 1_000;
        if (late.signal.aborted)
          throw busy(`This took more than ${seconds} s and was given up. Nothing was saved.`);
        if (fallen.signal.aborted)
          throw busy("The server found no thread to work in. Nothing was saved; try again in a moment.");
        if ((error as Error).message === "Terminating worker thread")
          throw busy("The server is stopping. Nothing was saved; try again in a moment.");
        if ((error as { code?: string }).code === "ERR_WORKER_OUT_OF_MEMORY")
          throw busy(
            `This needs more than ${lane.memoryMb} MB of memory and was given up. Nothing was saved.`,
          );
        throw error;
      } finally {
        notBegun.delete(giveUp);
        unwatch();
        told.close();
      }
    },
    async close() {
      closed = true;
      await Promise.all([...pools.values()].map(({ pool }) => pool.destroy()));
    },
  };
}
