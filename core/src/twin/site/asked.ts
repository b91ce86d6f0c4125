import type { BoardInput } from "../../board/index.ts";
import { measureCircuit, type Installation, type Measured, type Situation } from "../../circuit/index.ts";
import { contactPart, partKey, railPart, supplyPart, type PartKey } from "../../node/index.ts";

/** How contacts and board stand, whatever is wired: contacts as they are worked, be they stuck or not. */
export interface Standing extends Required<
  Pick<Installation, "tripped" | "powered" | "withoutMains" | "set">
> {
  celsius: number;
}

/** What a running board asks of its circuit: everything it learns of the wires it learns by an answer to one of these. */
export type Asked = Standing &
  (
    | { what: "readings"; situation: Situation }
    | { what: "test"; input: string }
    | { what: "pulses"; device: string; situation: Situation }
  );

/** Wires, and contacts that stay as they are whatever works them. */
export interface Circuit {
  wired: Installation;
  stuck: ReadonlyMap<PartKey, boolean>;
}

/** A circuit with its contacts as they are worked, or stuck, and as the board stands. */
export function withContacts(
  { wired, stuck }: Circuit,
  { tripped: worked, powered, withoutMains, set }: Omit<Standing, "celsius">,
): Installation {
  const tripped = new Set(worked);
  for (const [contact, as] of stuck) tripped[as ? "add" : "delete"](contact);
  return { ...wired, tripped, powered, withoutMains, set };
}

/** All of a measurement that a running board, its drives, locks and battery go by. */
export function saidBy({ board, devices }: Installation, { inputs, supplies, rails }: Measured): string {
  const fed = devices.flatMap(({ id, profile }) =>
    profile.supplies
      .filter(({ duty }) => duty === "drive" || profile.kind === "lock")
      .map((supply) => supplies[partKey(supplyPart(id, supply.id))]),
  );
  const lives = board.battery !== undefined || board.supply.kind === "solar";
  const drawn = lives ? board.rails.map(({ id }) => rails[partKey(railPart(id))]?.milliamps) : [];
  return JSON.stringify([
    board.inputs.map(({ id }) => Number(inputs[id]?.closed ?? false)).join(""),
    fed,
    drawn,
  ]);
}

/** True where an input opens as the board takes its tested supply away, or tells its device by the test line. */
export function testOpens(at: Installation, celsius: number, { id, contact, test }: BoardInput): boolean {
  if (test === undefined) return true;
  const { inputs } = measureCircuit({ ...at, ...testing(at, test) }, { situation: "testing", celsius });
  return (inputs[id]?.closed ?? false) !== (contact === "closed");
}

/** What a test makes of the circuit: a rail is dead, or every contact whose test pin hangs on the test line is tripped. */
function testing({ board, ...at }: Installation, test: string): Partial<Installation> {
  if (board.rails.some((rail) => rail.id === test)) return { interrupted: new Set([test]) };
  const terminals = new Set(board.outputs.find((output) => output.id === test)?.terminals ?? []);
  const tripped = new Set(at.tripped);
  for (const { from, to } of at.wires)
    if (from.kind === "pin" && to.kind === "terminal" && terminals.has(to.terminal))
      for (const contact of at.devices.find(({ id }) => id === from.device)?.profile.contacts ?? [])
        if (contact.test === from.pin) tripped.add(partKey(contactPart(from.device, contact.id)));
  return { tripped };
}

/** True where a pulse of a device's encoder changes what an input that counts them reads. */
export function pulsesTold(at: Installation, celsius: number, device: string, situation: Situation): boolean {
  const pulse = at.devices
    .find(({ id }) => id === device)
    ?.profile.contacts.find(({ duty }) => duty === "encoder");
  const inputs = at.board.inputs.filter(({ takes }) => takes.includes("encoder"));
  if (!pulse || !inputs.length) return true;
  const still = measureCircuit(at, { situation, celsius });
  const tripped = new Set([...at.tripped, partKey(contactPart(device, pulse.id))]);
  const turning = measureCircuit({ ...at, tripped }, { situation, celsius });
  return inputs.some(({ id }) => still.inputs[id]?.closed !== turning.inputs[id]?.closed);
}

/** What a circuit would say to a question, without being run. */
export function saidTo(circuit: Circuit, asked: Asked): string {
  const at = withContacts(circuit, asked);
  switch (asked.what) {
    case "readings":
      return saidBy(at, measureCircuit(at, asked));
    case "test":
      return `${testOpens(
        at,
        asked.celsius,
        at.board.inputs.find(({ id }) => id === asked.input)!,
      )}`;
    case "pulses":
      return `${pulsesTold(at, asked.celsius, asked.device, asked.situation)}`;
  }
}
