import {
  applyEdit,
  deviceKindsName,
  deviceText,
  deviceWords,
  draftInstance,
  type DeviceProfile,
  type Job,
  type JobEdit,
  type Suit,
} from "@anvilcloud/core";
import { useMemo, useState } from "react";
import { noteRecent, recent, useJobBench } from "../../data/index.ts";
import { useAnswer } from "../../planner/index.ts";
import { Button, Dialog, Finder, Row, type Findable } from "../../ui/index.ts";

const lately = "Used lately";
const unfit = "No place for these on this board";

/** The newest revision of each device, as it is put on a job. */
function newest(catalogue: readonly DeviceProfile[]): DeviceProfile[] {
  const by = new Map<string, DeviceProfile>();
  for (const device of catalogue) {
    const known = by.get(device.id);
    if (!known || known.revision < device.revision) by.set(device.id, device);
  }
  return [...by.values()];
}

/** Devices as they are looked up: those used lately on top, then those the board has a place for by kind, then the others with the reason. */
function asFindable(devices: readonly DeviceProfile[], suits: readonly Suit[]): Findable[] {
  const order = new Map(suits.map((suit, at) => [suit.device, { ...suit, at }]));
  const used = new Set(recent("devices").map(({ id }) => id));
  const rank = ({ id }: DeviceProfile) => {
    const suit = order.get(id);
    return (suit?.at ?? 0) - (used.has(id) && suit?.fits !== false ? 1e6 : 0);
  };
  return [...devices]
    .sort((a, b) => rank(a) - rank(b))
    .map((device) => {
      const suit = order.get(device.id);
      const fits = suit?.fits !== false;
      return {
        id: device.id,
        text: `${device.name} (${device.maker})`,
        says: fits ? deviceText(device) : suit.why,
        words: deviceWords(device),
        group: !fits ? unfit : used.has(device.id) ? lately : deviceKindsName(device.kind),
        ...(fits ? {} : { isUnfit: true }),
      };
    });
}

/** The edits that put devices on a job one after the other, each drafted beside those before it. */
function additions(job: Job, profiles: readonly DeviceProfile[]): JobEdit[] {
  let now = job;
  return profiles.map((profile) => {
    const edit: JobEdit = { kind: "add-device", device: draftInstance(now, profile) };
    now = applyEdit(now, edit);
    return edit;
  });
}

interface Props {
  close: () => void;
  /** Puts these edits on the job. */
  add: (edits: readonly JobEdit[]) => void;
}

/** The catalogue, looked up by what devices are and do; several are put on the job at once. */
export function AddDevices({ close, add }: Props) {
  const { job, catalogue } = useJobBench();
  const [query, setQuery] = useState("");
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set<string>());
  const devices = useMemo(() => newest(catalogue), [catalogue]);
  const suits = useAnswer([devices, job.board.id], (planner) => planner.suits(devices));
  // Nothing is offered before its place in the list is known: it would move from under the finger.
  const things = useMemo(() => (suits ? asFindable(devices, suits) : []), [devices, suits]);
  function take() {
    const profiles = [...chosen].flatMap((id) => devices.find((device) => device.id === id) ?? []);
    for (const { id, name } of [...profiles].reverse()) noteRecent("devices", { id, text: name });
    close();
    add(additions(job, profiles));
  }
  return (
    <Dialog title="Add devices" isOpen onClose={close}>
      <Finder
        label="Find a device"
        hint="photocell, lock, 8k2, 24 V …"
        things={things}
        query={query}
        onQuery={setQuery}
        chosen={chosen}
        onChosen={setChosen}
        none={
          suits
            ? "No device of the catalogue is like that. Try another word, or describe one of your own."
            : "Looking which of them fit …"
        }
      />
      <Row style={{ justifyContent: "flex-end", marginTop: 12 }}>
        <Button $kind="outlined" onPress={close}>
          Cancel
        </Button>
        <Button $kind="filled" isDisabled={chosen.size === 0} onPress={take}>
          {chosen.size > 1 ? `Add ${chosen.size} devices` : "Add it"}
        </Button>
      </Row>
    </Dialog>
  );
}
