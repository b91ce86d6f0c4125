import {
  answerStep,
  isClosed,
  outcomes,
  type BoardProfile,
  type DeviceCatalogue,
  type DeviceProfile,
  type Job,
  type JobEdit,
  type LogEntry,
  type ShownPlan,
  type StoredJob,
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
import { Failed, Loading, Whole } from "../ui/index.ts";
import { devicesKey, getJson, getLog, jobKey, logKey, putJob } from "./api.ts";
import { stamp, thisDevice } from "./device.ts";
import { useWarnBeforeLeaving } from "./leaving.ts";
import { usePlan } from "./plan.ts";
import { createSaver, type SaveState } from "./saver.ts";
import { useTelling, type Say } from "./telling.ts";
import { answeredAgain, useLogSender, type Unstored } from "./use-log-sender.ts";

/** Everything a station needs of its job. */
export interface JobBench {
  job: Job;
  /** The profile of the job's board as it is kept, with all it could have; the plan has it as it is read on this site. */
  board: BoardProfile;
  /** The newest plan there is; while another is being made it is that of a moment ago. */
  plan: ShownPlan;
  /** True while the plan is not yet that of the job and log at hand. */
  planning: boolean;
  log: LogEntry[];
  catalogue: DeviceProfile[];
  save: SaveState;
  /** Grows when another version of the job takes the place of what was typed; forms begin anew. */
  generation: number;
  change: (edit: JobEdit) => void;
  /** Makes edits that can be taken back, and says in words what was done. */
  changeAndTell: (edits: readonly JobEdit[], done: string) => void;
  settle: (keep: "theirs" | "mine") => void;
  /** Sends again what got no answer. */
  retry: () => void;
  /** Answers a step as the plan of its card has it, at once; what cannot be stored stands among the `unstored`. */
  answer: Say;
  /** Answers that are not stored. */
  unstored: readonly Unstored[];
  /** Sends an answer again that was not stored. */
  answerAgain: (unstored: Unstored) => void;
  /** Gives up an answer that was not stored, by its id. */
  dropAnswer: (id: string) => void;
  /** True once the job was handed over, until it is opened again. */
  closed: boolean;
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
  const isOther = useEffectEvent(onOther);
  useEffect(() => {
    if (saver.refresh(stored)) isOther();
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

/** Gives the stations their job, its plan and the ways to change it. */
export function JobProvider({ id, stored, log, catalogue, children }: ProviderProps) {
  const [jobSave, setJobSave] = useState<SaveState>({ kind: "saved" });
  const [logSave, setLogSave] = useState<SaveState>({ kind: "saved" });
  const [generation, setGeneration] = useState(0);
  const anew = () => setGeneration((now) => now + 1);
  const saver = useSaver(
    id,
    stored,
    (state) => {
      setJobSave(state);
      if (state.kind === "refused") anew();
    },
    anew,
  );
  const { send, answer, unstored, drop } = useLogSender(id, setLogSave);
  const save = worse(jobSave, logSave);
  useWarnBeforeLeaving(save.kind !== "saved" || unstored.length > 0);

  const devices = useMemo(() => allDevices(stored.devices, catalogue), [stored.devices, catalogue]);
  const { made, stage, error } = usePlan({ stored, devices, log });
  const telling = useTelling(stored.job, saver.change, (step, outcome, extra) => {
    if (!made) return;
    answer(
      answerStep(step, outcome, stamp(stored.job.installer), {
        ...extra,
        drawnFrom: { ...made.madeFor, device: thisDevice(), knows: outcomes(log).get(step.id)?.id },
      }),
    );
  });
  if (!made)
    return (
      <Whole>
        {error ? (
          <Failed what="The plan of this job" error={error} />
        ) : (
          <Loading what={`plan: ${stage ?? "wiring"}`} />
        )}
      </Whole>
    );
  const { plan } = made;

  const bench: JobBench = {
    job: stored.job,
    board: stored.board,
    plan,
    planning: stage !== undefined,
    log,
    catalogue: devices,
    save,
    change: saver.change,
    changeAndTell: telling.changeAndTell,
    retry: saver.retry,
    generation,
    settle: (keep) => {
      saver.settle(keep);
      if (keep === "theirs") anew();
    },
    unstored,
    answerAgain: (each) => answer(answeredAgain(each)),
    dropAnswer: drop,
    closed: isClosed(log),
    answer: telling.answer,
    append: (entry) => send({ ...entry, ...stamp(stored.job.installer) } as LogEntry),
  };
  return <Context value={bench}>{children}</Context>;
}

/** Fetches a job, its log and the catalogue of devices. */
export function useJobParts(id: string) {
  const job = useSWR<StoredJob, Error>(jobKey(id), getJson, {
    revalidateOnFocus: false,
    revalidateOnReconnect: false,
  });
  const log = useSWR<{ log: LogEntry[] }, Error>(logKey(id), getLog, { revalidateOnFocus: true });
  const devices = useSWR<DeviceCatalogue, Error>(devicesKey, getJson, {
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
