import type { JobsPage, Shelf } from "@anvilcloud/core";
import { useDeferredValue, useEffect } from "react";
import { useSearchParams } from "react-router";
import useSWRInfinite from "swr/infinite";
import { getJson, jobsKey } from "../../data/index.ts";
import type { Sorting } from "../../ui/index.ts";
import { refreshWith } from "./acts.ts";

/** What a list of jobs is narrowed by, as it stands in the address. */
const narrowing = ["find", "standing", "board", "town", "due"] as const;
export type Narrowing = (typeof narrowing)[number];

const shelves: readonly Shelf[] = ["jobs", "templates", "archive", "bin"];

/** The list of jobs as the page's address asks for it: read from there and written there, so that it can be kept and sent. */
export function useJobsQuery() {
  const [search, setSearch] = useSearchParams();
  const asked = search.get("shelf");
  const shelf = shelves.find((each) => each === asked) ?? "jobs";
  const set = (changes: Readonly<Record<string, string | undefined>>) =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        for (const [name, value] of Object.entries(changes))
          if (value) next.set(name, value);
          else next.delete(name);
        return next;
      },
      { replace: true },
    );
  const sorting: Sorting = {
    by: search.get("sort") ?? "changed",
    down: (search.get("order") ?? (search.has("sort") ? "up" : "down")) === "down",
  };
  return {
    shelf,
    sorting,
    of: (name: Narrowing) => search.get(name) ?? "",
    isNarrowed: narrowing.some((name) => search.get(name)),
    narrow: (name: Narrowing, value: string | undefined) => set({ [name]: value }),
    widen: () => set(Object.fromEntries(narrowing.map((name) => [name, undefined]))),
    show: (next: Shelf) => set({ shelf: next === "jobs" ? undefined : next }),
    sort: ({ by, down }: Sorting) => set({ sort: by, order: down ? "down" : "up" }),
    /** As the server is asked. */
    query: {
      ...(shelf === "jobs" ? {} : { shelf }),
      ...Object.fromEntries(
        [...narrowing, "sort", "order"].flatMap((name) => {
          const value = search.get(name);
          return value ? [[name, value]] : [];
        }),
      ),
    } as Record<string, string>,
  };
}

/** The jobs of a list as far as they were asked for, a page at a time; while others are fetched those before stand. */
export function useJobs(query: Readonly<Record<string, string>>) {
  const asked = useDeferredValue(query);
  const { data, error, mutate, size, setSize, isValidating } = useSWRInfinite<JobsPage, Error>(
    (page, before: JobsPage | null) =>
      before && before.jobs.length < before.pageSize ? null : jobsKey(page, asked),
    getJson,
    { keepPreviousData: true, revalidateFirstPage: false, revalidateOnMount: true, persistSize: true },
  );
  useEffect(() => refreshWith(mutate), [mutate]);
  const jobs = data?.flatMap((page) => page.jobs);
  const total = data?.at(-1)?.total ?? 0;
  return {
    jobs,
    total,
    error,
    retry: () => void mutate(),
    more: () => {
      if (jobs && jobs.length < total && !isValidating) void setSize(size + 1);
    },
  };
}
