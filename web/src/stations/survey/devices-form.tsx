import {
  count,
  draftInstance,
  isAbout,
  leafName,
  listed,
  profileOf,
  sentence,
  severityRank,
  type DeviceProfile,
  type JobEdit,
} from "@anvilcloud/core";
import { Plus } from "lucide-react";
import { useCallback, useMemo, useState } from "react";
import { useSWRConfig } from "swr";
import { devicesKey, useHighlight, useJobBench } from "../../data/index.ts";
import { deviceNumbers } from "../../bench/index.ts";
import { Button, Empty, Quiet, Row, useGrowing } from "../../ui/index.ts";
import { AddDevices } from "./add-devices.tsx";
import { DeviceCard } from "./device-card.tsx";
import { OwnDevice } from "./own-device.tsx";
import { OwnDevices } from "./own-devices.tsx";
import { Section } from "./section.tsx";
import { useWants } from "./use-wants.ts";

/** What is on site, and how far away it is. */
export function DevicesForm() {
  const { job, catalogue, change, changeAndTell, board, plan } = useJobBench();
  const { mutate } = useSWRConfig();
  const { keep } = useHighlight();
  const [asked, setAsked] = useState<"catalogue" | "own">();
  const shown = useGrowing(job.devices.length);
  // One list for all cards, which are drawn anew only where something of theirs changes.
  const leaves = useMemo(
    () => job.survey.leaves.map(({ id }) => ({ id, text: sentence(leafName(board, id)) })),
    [job.survey.leaves, board],
  );
  const numbers = useMemo(() => deviceNumbers(plan.wiring.devices), [plan.wiring.devices]);
  const add = (edits: readonly JobEdit[]) => {
    const names = edits.flatMap((edit) => (edit.kind === "add-device" ? [edit.device.name] : []));
    changeAndTell(
      edits,
      names.length > 3 ? `${names.length} devices are added.` : `Added: ${listed(names)}.`,
    );
    // The bench beside shows where they go.
    keep(
      edits.flatMap((edit) => (edit.kind === "add-device" ? [{ kind: "device", id: edit.device.id }] : [])),
    );
  };
  const put = (profile: DeviceProfile) => {
    void mutate(devicesKey);
    add([{ kind: "add-device", device: draftInstance(job, profile) }]);
  };
  const remove = useCallback(
    (id: string, name: string) => {
      changeAndTell([{ kind: "remove-device", device: id }], `${name} is removed.`);
    },
    [changeAndTell],
  );
  // Folded it still says that something about its devices has to be put right.
  const faults = plan.findings.filter(
    (finding) =>
      severityRank[finding.severity] <= severityRank.fault &&
      job.devices.some(({ id }) => isAbout(finding, "device", id)),
  ).length;
  const wants = [...useWants("devices"), ...(faults ? [`${count(faults, "finding")} put right`] : [])];
  return (
    <Section part="devices" title="Devices on site" says={count(job.devices.length, "device")} wants={wants}>
      {job.devices.length === 0 && (
        <Empty>Nothing yet. Add the drives first, then what protects and commands.</Empty>
      )}
      <ul>
        {job.devices.slice(0, shown).map((instance) => {
          const profile = profileOf(catalogue, instance.device);
          return profile ? (
            <DeviceCard
              key={instance.id}
              instance={instance}
              profile={profile}
              number={numbers[instance.id] ?? ""}
              assumed={job.assumed ?? none}
              findings={plan.findings}
              leaves={leaves}
              change={change}
              remove={remove}
            />
          ) : (
            <Quiet key={instance.id}>{instance.name}: its profile is missing.</Quiet>
          );
        })}
      </ul>
      <Row style={{ marginTop: 12 }}>
        <Button $kind="filled" onPress={() => setAsked("catalogue")}>
          <Plus size={18} aria-hidden /> Add devices
        </Button>
        <Button $kind="outlined" onPress={() => setAsked("own")}>
          A device of your own
        </Button>
      </Row>
      <OwnDevices />
      {asked === "catalogue" && <AddDevices close={() => setAsked(undefined)} add={add} />}
      {asked === "own" && <OwnDevice isOpen close={() => setAsked(undefined)} take={put} />}
    </Section>
  );
}

const none: readonly string[] = [];
