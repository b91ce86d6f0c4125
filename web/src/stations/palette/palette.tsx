import { purposeLabel, type BoardProfile, type JobsPage } from "@anvilcloud/core";
import { useDeferredValue, useState } from "react";
import { useNavigate } from "react-router";
import useSWR from "swr";
import { boardsKey, getJson, jobsKey, offered, recent, type Offer } from "../../data/index.ts";
import { Button, Dialog, Finder, Quiet, Row, takeBackLast } from "../../ui/index.ts";
import { SettingsDialog } from "./settings.tsx";

/** Jobs named for what was typed. */
const namedJobs = 8;

interface Props {
  close: () => void;
  openSettings: () => void;
}

/** Jobs: those open here last while nothing is typed, then what the server finds. */
function useJobOffers(query: string, go: (to: string) => void): Offer[] {
  const asked = useDeferredValue(query.trim());
  const { data } = useSWR<JobsPage, Error>(asked ? jobsKey(0, { find: asked }) : null, getJson, {
    keepPreviousData: true,
  });
  if (!asked)
    return recent("jobs").map(({ id, text }) => ({
      id: `job ${id}`,
      text,
      group: "Open here last",
      act: () => go(`/jobs/${id}`),
    }));
  return (data?.jobs ?? []).slice(0, namedJobs).map((job) => ({
    id: `job ${job.id}`,
    text: job.title,
    says: [job.customer, job.town, job.board].filter(Boolean).join(", "),
    // The server has found it by words that are not all shown.
    words: query,
    group: "Jobs",
    act: () => go(`/jobs/${job.id}`),
  }));
}

function useBoardOffers(query: string, go: (to: string) => void): Offer[] {
  const { data } = useSWR<{ boards: BoardProfile[] }, Error>(query.trim() ? boardsKey : null, getJson);
  return (data?.boards ?? []).map((board) => ({
    id: `board ${board.id}`,
    text: `${board.maker} ${board.name}`,
    says: purposeLabel(board.purpose),
    words: board.summary,
    group: "Boards",
    act: () => go(`/boards/${board.id}`),
  }));
}

function pagesOf(go: (to: string) => void, openSettings: () => void): Offer[] {
  const page = (id: string, text: string, words = ""): Offer => ({
    id: `page ${id}`,
    text,
    words,
    group: "Everywhere",
    act: () => go(id),
  });
  return [
    page("/", "Jobs", "home next list"),
    page("/?new", "New job", "begin create"),
    page("/boards", "Boards", "profiles catalogue"),
    page("/boards/new", "Write a board profile", "new yaml editor"),
    page("/boards/compare", "Compare two boards", "differences"),
    page("/phone", "On a phone", "scan code network"),
    {
      id: "take back",
      text: "Take back the last thing done",
      says: "Ctrl+Z",
      words: "undo",
      group: "Everywhere",
      act: () => void takeBackLast(),
    },
    {
      id: "settings",
      text: "Units and keys",
      words: "settings preferences feet inches pounds awg metric imperial shortcuts",
      group: "Everywhere",
      act: openSettings,
    },
  ];
}

function Looking({ close, openSettings }: Props) {
  const navigate = useNavigate();
  const [query, setQuery] = useState("");
  const go = (to: string) => void navigate(to);
  const [here] = useState(offered);
  const jobs = useJobOffers(query, go);
  const boards = useBoardOffers(query, go);
  const pages = pagesOf(go, openSettings);
  const offers = query.trim()
    ? [...here, ...jobs, ...boards, ...pages]
    : [...here.filter(({ group }) => group === "This job"), ...jobs, ...pages];
  return (
    <>
      <Finder
        label="Go to, or do"
        hint="a job, a station, a device, a terminal, a board …"
        things={offers}
        query={query}
        onQuery={setQuery}
        onChoose={(id) => {
          close();
          offers.find((offer) => offer.id === id)?.act();
        }}
        none="Nothing is called so."
      />
      <Row style={{ justifyContent: "space-between", marginTop: 8 }}>
        <Quiet>Arrows walk, Enter goes there, Esc closes.</Quiet>
        <Button $kind="outlined" onPress={close}>
          Close
        </Button>
      </Row>
    </>
  );
}

/** One place from which anything is reached: jobs, stations, devices, terminals, boards, and what can be done. */
export function Palette({ isOpen, close }: { isOpen: boolean; close: () => void }) {
  const [settings, setSettings] = useState(false);
  return (
    <>
      <Dialog title="Find" isOpen={isOpen} onClose={close}>
        <Looking close={close} openSettings={() => setSettings(true)} />
      </Dialog>
      <SettingsDialog isOpen={settings} close={() => setSettings(false)} />
    </>
  );
}
