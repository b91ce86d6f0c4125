import {
  conductorSizesMm2,
  draftInstance,
  jobSchema,
  plainNumber,
  profileOf,
  type DeviceInstance,
  type DeviceProfile,
} from "@anvilcloud/core";
import { zodResolver } from "@hookform/resolvers/zod";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import { Controller } from "react-hook-form";
import { styled } from "styled-components";
import { useSWRConfig } from "swr";
import { useJobBench } from "../../data/index.ts";
import { color, space } from "../../theme/index.ts";
import { Button, Choice, Empty, Quiet, Toggle } from "../../ui/index.ts";
import { leafNames } from "../shared/words.ts";
import { BoundChoice, BoundNumber, BoundText } from "./bound.tsx";
import { Grid } from "./grid.ts";
import { OwnDevice } from "./own-device.tsx";
import { Section, useSection } from "./section.tsx";

const Card = styled.li`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: ${space.s};
  padding: ${space.m} 0;
  border-top: 1px solid ${color.line};
`;

const instanceSchema = jobSchema.shape.devices.element;
const sizes = conductorSizesMm2.map((size) => ({ id: String(size), text: `${plainNumber(size, 2)} mm²` }));

function DeviceCard({ instance, profile }: { instance: DeviceInstance; profile: DeviceProfile }) {
  const { job, change } = useJobBench();
  const form = useSection(instance, zodResolver(instanceSchema), (device) =>
    change({ kind: "change-device", device }),
  );
  const remove = () => change({ kind: "remove-device", device: instance.id });
  return (
    <Card>
      <Grid $least="230px">
        <BoundText
          control={form.control}
          name="name"
          label="Name"
          hint={`${profile.maker} ${profile.name}${profile.holdingNewtons ? `, holds ${plainNumber(profile.holdingNewtons)} N` : ""}`}
        />
        {profile.kind === "drive" && (
          <BoundChoice
            control={form.control}
            name="leaf"
            label="Moves"
            options={job.survey.leaves.map((leaf) => ({ id: leaf.id, text: leafNames[leaf.id] }))}
          />
        )}
        {profile.clearanceMm !== undefined && (
          <BoundNumber
            control={form.control}
            name="clearanceMm"
            label={`Free space beside it (needs ${plainNumber(profile.clearanceMm)})`}
            unit="mm"
          />
        )}
        {profile.jumpers.map((jumper) => (
          <Controller
            key={jumper.id}
            control={form.control}
            name="jumpersOn"
            render={({ field }) => (
              <Toggle
                label={`${jumper.label} is on (for ${jumper.onlyFor} only)`}
                value={field.value?.includes(jumper.id) ?? false}
                onChange={(on) => {
                  const others = (field.value ?? []).filter((id: string) => id !== jumper.id);
                  field.onChange(on ? [...others, jumper.id] : others);
                }}
              />
            )}
          />
        ))}
        {profile.parts.map((part) => (
          <div key={part.id} style={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 8 }}>
            <BoundNumber
              control={form.control}
              name={`cables.${part.id}.lengthM`}
              label={`To ${part.label}`}
              unit="m"
            />
            <Controller
              control={form.control}
              name={`cables.${part.id}.sizeMm2`}
              render={({ field }) => (
                <Choice
                  label="Core size"
                  value={String(field.value)}
                  onChange={(size) => field.onChange(Number(size))}
                  options={sizes}
                />
              )}
            />
          </div>
        ))}
      </Grid>
      <Button
        $kind="quiet"
        aria-label={`Remove ${instance.name}`}
        onPress={remove}
        style={{ padding: "0 12px" }}
      >
        <Trash2 size={20} aria-hidden />
      </Button>
    </Card>
  );
}

/** What is on site, and how far away it is. */
export function DevicesForm() {
  const { job, catalogue, change } = useJobBench();
  const { mutate } = useSWRConfig();
  const [own, setOwn] = useState(false);
  const put = (profile: DeviceProfile) => {
    void mutate("/api/devices");
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
        {job.devices.map((instance) => {
          const profile = profileOf(catalogue, instance.device);
          return profile ? (
            <DeviceCard key={instance.id} instance={instance} profile={profile} />
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
      {own && <OwnDevice isOpen close={() => setOwn(false)} take={put} />}
    </Section>
  );
}
