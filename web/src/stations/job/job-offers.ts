import { deviceWords, terminalsOf, type Subject } from "@anvilcloud/core";
import { useNavigate } from "react-router";
import { useHighlight, useJobBench, useOffers, type Offer } from "../../data/index.ts";
import { stationNames, stepAddress } from "../shared/words.ts";

/** Offers in the palette what this job has: its stations and pages, devices, terminals and steps. */
export function useJobOffers(): void {
  const { job, plan } = useJobBench();
  const { keep } = useHighlight();
  const navigate = useNavigate();
  useOffers(() => {
    const to = (address: string) => () => void navigate(`/jobs/${job.id}/${address}`);
    const onBench = (subject: Subject) => () => {
      keep([subject]);
      void navigate(`/jobs/${job.id}/wire`);
    };
    const pages: Offer[] = [
      ...plan.statuses.map(({ station, done, total }) => ({
        id: `station ${station}`,
        text: stationNames[station],
        says: total ? `${done} of ${total}` : "nothing to do",
        group: "This job",
        act: to(station),
      })),
      {
        id: "page run",
        text: "Run it",
        words: "live bench simulate try",
        group: "This job",
        act: to("live"),
      },
      {
        id: "page work",
        text: "Other work",
        words: "reset pair learn again",
        group: "This job",
        act: to("work"),
      },
      { id: "page record", text: "Record", words: "print export", group: "This job", act: to("record") },
    ];
    const devices = plan.wiring.devices.map(({ id, name, profile }): Offer => ({
      id: `device ${id}`,
      text: name,
      says: `${profile.maker} ${profile.name}`,
      words: deviceWords(profile),
      group: "Devices of this job",
      act: onBench({ kind: "device", id }),
    }));
    const terminals = terminalsOf(plan.bundle.board).map(({ id, label, block }): Offer => ({
      id: `terminal ${id}`,
      text: `Terminal ${id}`,
      says: `${block.label}, ${label}`,
      group: "Terminals",
      act: onBench({ kind: "terminal", id }),
    }));
    const steps = plan.sheet.map(({ id, station, title }): Offer => ({
      id: `step ${id}`,
      text: title,
      says: stationNames[station],
      group: "Steps",
      act: () => void navigate(stepAddress(job.id, station, id)),
    }));
    return [...pages, ...devices, ...terminals, ...steps];
  });
}
