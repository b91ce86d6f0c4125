import { placeText, terminalsOf, type CoreColour, type Core } from "@anvilcloud/core";
import { useJobBench } from "../../data/index.ts";

/** A core that can be noted: one of the plan, or a pin for which nothing is planned. */
export interface NotedCore {
  pin: string;
  device: string;
  pinId: string;
  text: string;
  colour: CoreColour;
  planned?: Core;
}

/** Every core of the job, and every place one may sit on. */
export function useCores() {
  const { plan, change, append } = useJobBench();
  const { wiring, bundle } = plan;
  const planned = new Map(wiring.cores.map((core) => [core.from, core]));
  const cores = wiring.devices.flatMap((device) =>
    device.profile.pins.map((pin): NotedCore => {
      const id = `${device.id}/${pin.id}`;
      const core = planned.get(id);
      const colour = device.colours?.[pin.id] ?? pin.core;
      const goes = core ? `planned on ${placeText(core.to, wiring.devices)}` : "nothing planned";
      return {
        pin: id,
        device: device.id,
        pinId: pin.id,
        text: `${device.name}: ${colour} ${pin.label}, ${goes}`,
        colour,
        ...(core ? { planned: core } : {}),
      };
    }),
  );
  const joints = [...new Set(wiring.cores.filter((core) => core.joint).map((core) => core.to))];
  const pins = wiring.devices.flatMap((device) => {
    const rails = device.profile.provides.flatMap((rail) => [rail.pins.plus, rail.pins.minus]);
    const far = device.profile.contacts.flatMap((contact) => contact.through ?? []);
    return [...rails, ...far].map((pin) => `${device.id}/${pin}`);
  });
  const places = [
    ...terminalsOf(bundle.board).map(({ id, label, block }) => ({
      id: `board/${id}`,
      text: `${id} ${block.label}, ${label}`,
    })),
    ...[...joints, ...pins].map((id) => ({ id, text: placeText(id, wiring.devices) })),
    { id: "off", text: "nothing: it hangs loose" },
  ];
  const setFor = (device: string, key: "pinned" | "cores", pin: string, value: string | undefined) =>
    change((job) => ({
      ...job,
      devices: job.devices.map((instance) => {
        if (instance.id !== device) return instance;
        const rest = Object.entries(instance[key] ?? {}).filter(([id]) => id !== pin);
        const next = Object.fromEntries(value === undefined ? rest : [...rest, [pin, value]]);
        return { ...instance, [key]: Object.keys(next).length ? next : undefined };
      }),
    }));
  return {
    cores,
    places,
    /** Notes where cores were found or put. */
    note: (moves: { pin: string; to: string }[]) => void append({ kind: "wired", moves }).catch(() => {}),
    /** Has the plan keep a pin on a terminal, or lets it choose again. */
    want: (device: string, pin: string, terminal?: string) => setFor(device, "pinned", pin, terminal),
    /** Notes a core's colour where it differs from the device's data. */
    colour: (device: string, pin: string, colour?: CoreColour) => setFor(device, "cores", pin, colour),
  };
}
