import type { Overview } from "@anvilcloud/core";
import { FilePlus2 } from "lucide-react";
import { lazy, Suspense, useState } from "react";
import { useSearchParams } from "react-router";
import useSWR from "swr";
import { getJson, overviewKey } from "../../data/index.ts";
import { Button, Failed, Loading, PageTitle, Row } from "../../ui/index.ts";
import { WidePage } from "../shared/page.ts";
import { useJobActs } from "./acts.ts";
import { FirstVisit } from "./first-visit.tsx";
import { ImportJob, NotImported } from "./import-job.tsx";
import { JobsList } from "./jobs-list.tsx";
import { Next } from "./next.tsx";
import { Practice } from "./practice.tsx";

// The list is there before anyone asks for a form.
const NewJob = lazy(() => import("./new-job.tsx").then((form) => ({ default: form.NewJob })));

/** What is next, and every job there is. */
export function Component() {
  const [search, setSearch] = useSearchParams();
  const adding = search.has("new");
  const setAdding = (on: boolean) =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        if (on) next.set("new", "");
        else next.delete("new");
        return next;
      },
      { replace: true },
    );
  const [refusal, setRefusal] = useState<string>();
  const acts = useJobActs(setRefusal);
  const { data, error, mutate } = useSWR<Overview, Error>(overviewKey, getJson);
  const isFirst = data && data.shelves.length === 0;
  return (
    <WidePage>
      <Row style={{ justifyContent: "space-between" }}>
        <PageTitle>Jobs</PageTitle>
        <Row>
          <ImportJob onError={setRefusal} />
          <Button $kind="filled" onPress={() => setAdding(true)}>
            <FilePlus2 size={20} aria-hidden /> New job
          </Button>
        </Row>
      </Row>
      {refusal && <NotImported refusal={refusal} />}
      {error && <Failed what="The list of jobs" error={error} retry={() => void mutate()} />}
      {!data && !error && <Loading what="jobs" />}
      {isFirst && <FirstVisit />}
      {data && !isFirst && (
        <>
          <Next seen={data} />
          <JobsList seen={data} acts={acts} />
        </>
      )}
      <Practice />
      {adding && (
        <Suspense>
          <NewJob isOpen onClose={() => setAdding(false)} />
        </Suspense>
      )}
    </WidePage>
  );
}
