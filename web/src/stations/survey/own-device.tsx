import {
  contactDuties,
  deviceFrom,
  deviceKinds,
  loadDuties,
  sketchSchema,
  type DeviceProfile,
  type DeviceSketch,
} from "@anvilcloud/core";
import { zodResolver } from "@hookform/resolvers/zod";
import { useState } from "react";
import { useForm, type Resolver } from "react-hook-form";
import { postDevice } from "../../data/index.ts";
import { Button, Dialog, FileButton, Notice, Quiet, Row, Toggle } from "../../ui/index.ts";
import { BoundChoice, BoundNumber, BoundText } from "./bound.tsx";
import { Grid } from "./grid.ts";

/** What the form holds: both halves, of which those switched off are left out. */
type Fields = Required<DeviceSketch>;

const empty: Fields = {
  name: "",
  kind: "sensor",
  contact: { duty: "stop", rest: "closed", tripped: "" },
  supply: {
    duty: "accessory",
    kind: "dc",
    minVolts: 20,
    maxVolts: 28,
    restMilliamps: 0,
    workingMilliamps: 0,
    lives: "any",
  },
};

const words = (ids: readonly string[]) => ids.map((id) => ({ id, text: id.replaceAll("-", " ") }));
const rests = [
  { id: "closed", text: "normally closed" },
  { id: "open", text: "normally open" },
];
const currents = [
  { id: "dc", text: "d.c." },
  { id: "ac", text: "a.c." },
  { id: "either", text: "either" },
];
const lives = [
  { id: "any", text: "may be switched or not" },
  { id: "always", text: "must always live" },
  { id: "switched", text: "only while it is needed" },
];

interface Props {
  isOpen: boolean;
  close: () => void;
  /** Takes the device that was stored. */
  take: (device: DeviceProfile) => void;
}

/** Describes a device the catalogue lacks, or takes its profile from a file. */
export function OwnDevice({ isOpen, close, take }: Props) {
  const [has, setHas] = useState({ contact: true, supply: false });
  const [refused, setRefused] = useState<string>();
  const resolver: Resolver<Fields> = (values, context, options) => {
    const { contact, supply, ...rest } = values;
    const sketch = { ...rest, ...(has.contact ? { contact } : {}), ...(has.supply ? { supply } : {}) };
    return (zodResolver(sketchSchema) as Resolver<DeviceSketch>)(sketch, context, options as never) as never;
  };
  const form = useForm<Fields>({ defaultValues: empty, resolver });
  const { control } = form;

  async function store(text: string): Promise<void> {
    setRefused(undefined);
    const device = await postDevice(text);
    take(device);
    close();
  }

  const submit = form.handleSubmit((sketch) =>
    store(JSON.stringify(deviceFrom(sketch))).catch((error: Error) => setRefused(error.message)),
  );

  return (
    <Dialog title="A device of your own" isOpen={isOpen} onClose={close}>
      <Quiet>
        What its label or sheet says is enough to plan with. Core colours are noted where it is wired.
      </Quiet>
      {refused && (
        <Notice tone="fault" title="Not taken">
          {refused} {/is here in revision/.test(refused) && "Another name makes another id."}
        </Notice>
      )}
      <Grid $least="220px">
        <BoundText control={control} name="name" label="Name" autoFocus />
        <BoundChoice control={control} name="kind" label="Kind" options={words(deviceKinds)} />
      </Grid>
      <Toggle
        label="It has a contact for an input"
        value={has.contact}
        onChange={(contact) => setHas((now) => ({ ...now, contact }))}
      />
      {has.contact && (
        <Grid $least="220px">
          <BoundChoice
            control={control}
            name="contact.duty"
            label="It is there for"
            options={words(contactDuties)}
          />
          <BoundChoice control={control} name="contact.rest" label="It rests" options={rests} />
          <BoundText
            control={control}
            name="contact.tripped"
            label="It trips when"
            hint="such as: the button is pressed"
          />
        </Grid>
      )}
      <Toggle
        label="It needs a supply from the board"
        value={has.supply}
        onChange={(supply) => setHas((now) => ({ ...now, supply }))}
      />
      {has.supply && (
        <Grid $least="220px">
          <BoundChoice
            control={control}
            name="supply.duty"
            label="As a load it is"
            options={words(loadDuties)}
          />
          <BoundChoice control={control} name="supply.kind" label="Current" options={currents} />
          <BoundNumber control={control} name="supply.minVolts" label="Needs at least" unit="V" />
          <BoundNumber control={control} name="supply.maxVolts" label="Bears at most" unit="V" />
          <BoundNumber control={control} name="supply.restMilliamps" label="Draws idle" unit="mA" />
          <BoundNumber control={control} name="supply.workingMilliamps" label="Draws at work" unit="mA" />
          <BoundNumber
            control={control}
            name="supply.inrushMilliamps"
            label="Draws as it is switched on"
            unit="mA"
          />
          <BoundChoice control={control} name="supply.lives" label="How it must live" options={lives} />
        </Grid>
      )}
      {!has.contact && !has.supply && (
        <Notice tone="caution" title="Nothing to wire">
          A contact, a supply, or both: a device without pins cannot be wired.
        </Notice>
      )}
      <Row style={{ justifyContent: "space-between", marginTop: 16 }}>
        <FileButton
          label="Take a profile file"
          accepts={[".yaml", ".yml", ".json", "application/yaml"]}
          most={1_000_000}
          take={async (file) => store(await file.text())}
          onError={setRefused}
        />
        <Row>
          <Button $kind="outlined" onPress={close}>
            Cancel
          </Button>
          <Button $kind="filled" isDisabled={!has.contact && !has.supply} onPress={() => void submit()}>
            Add it
          </Button>
        </Row>
      </Row>
    </Dialog>
  );
}
