import {
  answerStep,
  planJob,
  type BoardProfile,
  type DeviceProfile,
  type Job,
  type JobPlan,
  type LogEntry,
  type Step,
  type StepEntry,
} from "@anvilcloud/core";
import {
  createContext,
  useContext,
  useEffect,
  useEffectEvent,
  useMemo,
  useState,
  type ReactNode,
} from "react";
import useSWR, { useSWRConfig } from "swr";
// Not crypto.randomUUID: a phone reaches the server without TLS, where browsers withhold it.
import { v4 as newId } from "uuid";
import { getJson, jobKey, logKey, postEntry, putJob, type StoredJob } from "./api.ts";
import { useWarnBeforeLeaving } from "./leaving.ts";
import { createSaver, type SaveState } from "./saver.ts";

/** Everything a station needs of its job. */
export interface JobBench {
  job: Job;
  /** The profile of the job's board as it is kept, with all it could have; the plan has it as it is read on this site. */
  board: BoardProfile;
  plan: JobPlan;
  log: LogEntry[];
  catalogue: DeviceProfile[];
  save: SaveState;
  /** Grows when another version of the job takes the place of what was typed; forms begin anew. */
  generation: number;
  change: (edit: (job: Job) => Job) => void;
  settle: (keep: "theirs" | "mine") => void;
  /** Sends again what got no answer. */
  retry: () => void;
  answer: (
    step: Step,
    outcome: StepEntry["outcome"],
    extra?: Pick<StepEntry, "note" | "reading">,
  ) => Promise<void>;
  append: (entry: Unstamped) => Promise<void>;
}

type Unstamped = LogEntry extends infer E
  ? E extends LogEntry
    ? Omit<E, "id" | "at" | "by">
    : never
  : never;

const Context = createContext<JobBench | undefined>(undefined);

/** The job of the page. */
export function useJobBench(): JobBench {
  const bench = useContext(Context);
  if (!bench) throw new Error("useJobBench stands outside a job");
  return bench;
}

/** The profiles a job may draw on: its own snapshots first, then the catalogue's. */
function allDevices(own: readonly DeviceProfile[], catalogue: readonly DeviceProfile[]): DeviceProfile[] {
  const known = new Set(own.map((device) => `${device.id}@${device.revision}`));
  return [...own, ...catalogue.filter((device) => !known.has(`${device.id}@${device.revision}`))];
}

const stamp = (by: string) => ({ id: newId(), at: new Date().toISOString(), by });

function useSaver(id: string, stored: StoredJob, report: (state: SaveState) => void, onOther: () => void) {
  const { mutate } = useSWRConfig();
  const [saver] = useState(() =>
    createSaver(stored, {
      publish: (next) => void mutate(jobKey(id), next, { revalidate: false }),
      put: putJob,
      report,
      now: () => Date.now(),
    }),
  );
  const told = useEffectEvent(onOther);
  useEffect(() => {
    if (saver.refresh(stored)) told();
  }, [saver, stored]);
  return saver;
}

/** The state to show of two: what is not saved before what is, and of two saved ones the later. */
function worse(a: SaveState, b: SaveState): SaveState {
  if (a.kind !== "saved") return a;
  if (b.kind !== "saved") return b;
  return (a.at ?? 0) > (b.at ?? 0) ? a : b;
}

interface ProviderProps {
  id: string;
  stored: StoredJob;
  log: LogEntry[];
  catalogue: DeviceProfile[];
  children: ReactNode;
}

/** Gives the stations their job, its plan and the ways to change it. The plan is worked out in the page from the core. */
export function JobProvider({ id, stored, log, catalogue, children }: ProviderProps) {
  const { mutate } = useSWRConfig();
  const [jobSave, setJobSave] = useState<SaveState>({ kind: "saved" });
  const [logSave, setLogSave] = useState<SaveState>({ kind: "saved" });
  const [generation, setGeneration] = useState(0);
  const saver = useSaver(
    id,
    stored,
    (state) => {
      setJobSave(state);
      if (state.kind === "refused") setGeneration((now) => now + 1);
    },
    () => setGeneration((now) => now + 1),
  );
  const save = worse(jobSave, logSave);
  useWarnBeforeLeaving(save.kind !== "saved");

  const plan = useMemo(() => {
    const devices = allDevices(stored.devices, catalogue);
    return planJob({ format: "anvilcloud/job@1", job: stored.job, board: stored.board, devices, log });
  }, [stored, catalogue, log]);

  /** Shows an entry at once, sends it, and takes it off again when it was refused; several may be under way together. */
  async function store(entry: LogEntry): Promise<void> {
    const show = (edit: (log: LogEntry[]) => LogEntry[]) =>
      mutate<{ log: LogEntry[] }>(logKey(id), (now) => ({ log: edit(now?.log ?? []) }), {
        revalidate: false,
      });
    const without = (log: LogEntry[]) => log.filter((each) => each.id !== entry.id);
    setLogSave({ kind: "saving" });
    void show((log) => [...log, entry]);
    try {
      await postEntry(id, entry);
      // Added once more, should the log have been fetched anew before the entry was in it.
      void show((log) => (log.some((each) => each.id === entry.id) ? log : [...log, entry]));
      setLogSave({ kind: "saved", at: Date.now() });
    } catch (error) {
      void show(without);
      setLogSave({ kind: "refused", message: (error as Error).message });
      throw error;
    }
  }

  const bench: JobBench = {
    job: stored.job,
    board: stored.board,
    plan,
    log,
    catalogue: allDevices(stored.devices, catalogue),
    save,
    change: saver.change,
    retry: saver.retry,
    generation,
    settle: (keep) => {
      saver.settle(keep);
      if (keep === "theirs") setGeneration((now) => now + 1);
    },
    answer: (step, outcome, extra) => store(answerStep(step, outcome, stamp(stored.job.installer), extra)),
    append: (entry) => store({ ...entry, ...stamp(stored.job.installer) } as LogEntry),
  };
  return <Context value={bench}>{children}</Context>;
}

/** Fetches a job, its log and the catalogue of devices. */
export function useJobParts(id: string) {
  const job = useSWR<StoredJob, Error>(jobKey(id), getJson, {
    revalidateOnFocus: false,
    revalidateOnReconnect: false,
  });
  const log = useSWR<{ log: LogEntry[] }, Error>(logKey(id), getJson, { revalidateOnFocus: true });
  const devices = useSWR<{ devices: DeviceProfile[] }, Error>("/api/devices", getJson, {
    revalidateOnFocus: false,
  });
  return {
    parts: job.data &&
      log.data &&
      devices.data && { stored: job.data, log: log.data.log, catalogue: devices.data.devices },
    error: job.error ?? log.error ?? devices.error,
    retry: () => void Promise.all([job.mutate(), log.mutate(), devices.mutate()]),
  };
}
