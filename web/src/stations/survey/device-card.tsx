import {
  assumedCable,
  conductorSizesMm2,
  conductorText,
  deviceKindName,
  isAbout,
  jobSchema,
  quantityText,
  sentence,
  severityRank,
  type DeviceInstance,
  type DeviceProfile,
  type Finding,
  type JobEdit,
  type LeafId,
} from "@anvilcloud/core";
import { zodResolver } from "@hookform/resolvers/zod";
import { ChevronDown, ChevronRight, Trash2 } from "lucide-react";
import { memo, useRef, useState } from "react";
import { Controller } from "react-hook-form";
import { styled } from "styled-components";
import { useLights } from "../../data/index.ts";
import { color, size, space, touch } from "../../theme/index.ts";
import { Button, Choice, ringed, Toggle, useUnits } from "../../ui/index.ts";
import { Findings } from "../shared/findings.tsx";
import { BoundChoice, BoundNumber, BoundText } from "./bound.tsx";
import { Grid } from "./grid.ts";
import { useSection } from "./use-section.ts";

const Card = styled.li`
  border-top: 1px solid ${color.line};
  &[data-lit="true"] {
    background: ${color.accentSoft};
  }
  > div:first-child {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: center;
  }
`;

const Head = styled.button`
  display: grid;
  grid-template-columns: 18px 26px minmax(0, 1fr);
  align-items: center;
  gap: ${space.s};
  min-height: ${touch};
  padding: ${space.xs} 0;
  border: 0;
  background: none;
  color: inherit;
  text-align: left;
  cursor: pointer;
  i {
    ${ringed}
  }
  small {
    display: block;
    color: ${color.quiet};
    font-size: ${size.tiny};
  }
`;

const instanceSchema = jobSchema.shape.devices.element;

interface Parts {
  instance: DeviceInstance;
  profile: DeviceProfile;
  /** Its number on the bench. */
  number: string;
  /** What of the job nobody has measured. */
  assumed: readonly string[];
  /** Findings against the plan; those about it stand with it. */
  findings: readonly Finding[];
  /** Leaves it can move, by what they are called. */
  leaves: readonly { id: LeafId; text: string }[];
  change: (edit: JobEdit) => void;
  remove: (id: string, name: string) => void;
}

function Fields({ instance, profile, assumed, leaves, change }: Parts) {
  const units = useUnits();
  const form = useSection(instance, zodResolver(instanceSchema), (device) =>
    change({ kind: "change-device", device }),
  );
  const sizes = conductorSizesMm2.map((mm2) => ({ id: String(mm2), text: conductorText(mm2, units) }));
  return (
    <Grid $least="230px" style={{ padding: "4px 0 12px 34px" }}>
      <BoundText
        control={form.control}
        name="name"
        label="Name"
        hint={`${profile.maker} ${profile.name}${profile.holdingNewtons ? `, holds ${quantityText(profile.holdingNewtons, "N", units)}` : ""}`}
      />
      {profile.kind === "drive" && (
        <BoundChoice control={form.control} name="leaf" label="Moves" options={leaves} />
      )}
      {profile.clearanceMm !== undefined && (
        <BoundNumber
          control={form.control}
          name="clearanceMm"
          label={`Free space beside it (needs ${quantityText(profile.clearanceMm, "mm", units)})`}
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
            isAssumed={assumed.includes(assumedCable(instance.id, part.id))}
          />
          <Controller
            control={form.control}
            name={`cables.${part.id}.sizeMm2`}
            render={({ field }) => (
              <Choice
                label="Core size"
                value={String(field.value)}
                onChange={(mm2) => field.onChange(Number(mm2))}
                options={sizes}
              />
            )}
          />
        </div>
      ))}
    </Grid>
  );
}

/** The part of the findings that is about one device and calls for something. */
const about = (findings: readonly Finding[], id: string) =>
  findings.filter(
    (finding) => severityRank[finding.severity] <= severityRank.caution && isAbout(finding, "device", id),
  );

function Device(parts: Parts) {
  const { instance, profile, number, assumed, findings, remove } = parts;
  const [open, setOpen] = useState(false);
  const units = useUnits();
  const card = useRef<HTMLLIElement>(null);
  const lights = useLights([{ kind: "device", id: instance.id }]);
  const own = about(findings, instance.id);
  const cables = profile.parts.flatMap(({ id, label }) => {
    const cable = instance.cables[id];
    if (!cable) return [];
    const isAssumed = assumed.includes(assumedCable(instance.id, id));
    return [`${label} ${quantityText(cable.lengthM, "m", units)}${isAssumed ? " assumed" : ""}`];
  });
  function removeIt() {
    // What comes after it takes the focus, or what comes before where it was the last.
    const beside = card.current?.nextElementSibling ?? card.current?.previousElementSibling;
    beside?.querySelector("button")?.focus();
    remove(instance.id, instance.name);
  }
  return (
    <Card ref={card} {...lights}>
      <div>
        <Head type="button" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? <ChevronDown size={16} aria-hidden /> : <ChevronRight size={16} aria-hidden />}
          <i aria-hidden>{number}</i>
          <span>
            {instance.name}
            <small>{sentence([deviceKindName(profile.kind), ...cables].join(", "))}</small>
          </span>
        </Head>
        <Button
          $kind="quiet"
          aria-label={`Remove ${instance.name}`}
          onPress={removeIt}
          style={{ padding: "0 12px" }}
        >
          <Trash2 size={20} aria-hidden />
        </Button>
      </div>
      {own.length > 0 && <Findings findings={own} label={`Findings about ${instance.name}`} />}
      {open && <Fields {...parts} />}
    </Card>
  );
}

/** What makes a card another: of a job that came back from the server, only what was changed. */
const cardKey = ({ instance, profile, number, assumed, findings, leaves }: Parts) =>
  JSON.stringify([
    instance,
    profile.id,
    profile.revision,
    number,
    assumed.filter((each) => each.startsWith(`cable ${instance.id} `)),
    about(findings, instance.id),
    leaves,
  ]);

/** A device on site: its name, what it moves, its cables, what its sheet asks about, and what is found against it. */
export const DeviceCard = memo(Device, (a, b) => a.change === b.change && cardKey(a) === cardKey(b));
