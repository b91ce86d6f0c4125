import {
  conductorSizesMm2,
  jobSchema,
  plainNumber,
  type DeviceInstance,
  type DeviceProfile,
  type JobEdit,
  type LeafId,
} from "@anvilcloud/core";
import { zodResolver } from "@hookform/resolvers/zod";
import { Trash2 } from "lucide-react";
import { memo } from "react";
import { Controller } from "react-hook-form";
import { styled } from "styled-components";
import { color, space } from "../../theme/index.ts";
import { Button, Choice, Toggle } from "../../ui/index.ts";
import { BoundChoice, BoundNumber, BoundText } from "./bound.tsx";
import { Grid } from "./grid.ts";
import { useSection } from "./section.tsx";

const Card = styled.li`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: ${space.s};
  padding: ${space.m} 0;
  border-top: 1px solid ${color.line};
`;

const instanceSchema = jobSchema.shape.devices.element;
const sizes = conductorSizesMm2.map((size) => ({ id: String(size), text: `${plainNumber(size, 2)} mm²` }));

interface Parts {
  instance: DeviceInstance;
  profile: DeviceProfile;
  /** Leaves it can move, by what they are called. */
  leaves: readonly { id: LeafId; text: string }[];
  change: (edit: JobEdit) => void;
}

function Device({ instance, profile, leaves, change }: Parts) {
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
          <BoundChoice control={form.control} name="leaf" label="Moves" options={leaves} />
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

/** What makes a card another: of a job that came back from the server, only what was changed. */
const cardKey = ({ instance, profile, leaves }: Parts) =>
  JSON.stringify([instance, profile.id, profile.revision, leaves]);

/** A device on site: its name, what it moves, its cables, and what its sheet asks about. */
export const DeviceCard = memo(Device, (a, b) => a.change === b.change && cardKey(a) === cardKey(b));
