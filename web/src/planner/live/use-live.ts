import { proxy, releaseProxy, wrap } from "comlink";
import { createContext, useContext } from "react";
import type { LiveHost } from "./host.ts";

const LiveContext = createContext<(() => LiveHost) | undefined>(undefined);

/** Gives the parts inside other live benches than workers. */
export const LiveProvider = LiveContext.Provider;

/** A live bench in a worker of its own: it runs while the page draws. Its worker ends with it. */
function remoteLive(): LiveHost {
  const worker = new Worker(new URL("./live.worker.ts", import.meta.url), { type: "module" });
  const remote = wrap<LiveHost>(worker);
  return {
    begin: (given, start, ears, past) => remote.begin(given, start, proxy(ears), past),
    does: (act) => remote.does(act),
    key: (key, goes) => remote.key(key, goes),
    pace: (times) => remote.pace(times),
    toEvent: () => remote.toEvent(),
    nod: () => remote.nod(),
    kept: () => remote.kept(),
    replayed: (file) => remote.replayed(file),
    end() {
      remote[releaseProxy]();
      worker.terminate();
      return Promise.resolve();
    },
  };
}

/** Makes a live bench. */
export const useLiveMaker = (): (() => LiveHost) => useContext(LiveContext) ?? remoteLive;
