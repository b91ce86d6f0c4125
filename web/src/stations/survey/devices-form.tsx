import { draftInstance, leafName, profileOf, sentence, type DeviceProfile } from "@anvilcloud/core";
import { useMemo, useState } from "react";
import { useSWRConfig } from "swr";
import { devicesKey, useJobBench } from "../../data/index.ts";
import { Button, Choice, Empty, Quiet, useGrowing } from "../../ui/index.ts";
import { DeviceCard } from "./device-card.tsx";
import { Grid } from "./grid.ts";
import { OwnDevice } from "./own-device.tsx";
import { OwnDevices } from "./own-devices.tsx";
import { Section } from "./section.tsx";

/** What is on site, and how far away it is. */
export function DevicesForm() {
  const { job, catalogue, change, board } = useJobBench();
  const { mutate } = useSWRConfig();
  const [own, setOwn] = useState(false);
  const shown = useGrowing(job.devices.length);
  // One list for all cards, which are drawn anew only where something of theirs changes.
  const leaves = useMemo(
    () => job.survey.leaves.map(({ id }) => ({ id, text: sentence(leafName(board, id)) })),
    [job.survey.leaves, board],
  );
  const put = (profile: DeviceProfile) => {
    void mutate(devicesKey);
    change({ kind: "add-device", device: draftInstance(job, profile) });
  };
  const add = (id: string) => {
    const profile = catalogue.find((each) => each.id === id);
    if (profile) put(profile);
  };
  return (
    <Section title="Devices on site">
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
              leaves={leaves}
              change={change}
            />
          ) : (
            <Quiet key={instance.id}>{instance.name}: its profile is missing.</Quiet>
          );
        })}
      </ul>
      <Grid $least="280px" style={{ alignItems: "end" }}>
        <Choice
          label="Add a device"
          placeholder="choose from the catalogue"
          value={undefined}
          onChange={add}
          options={catalogue.map((device) => ({ id: device.id, text: `${device.name} (${device.maker})` }))}
        />
        <Button $kind="outlined" onPress={() => setOwn(true)}>
          A device of your own
        </Button>
      </Grid>
      <OwnDevices />
      {own && <OwnDevice isOpen close={() => setOwn(false)} take={put} />}
    </Section>
  );
}
