import { settableBehaviours, type BoardInput, type BoardProfile } from "../board/index.ts";
import { behavioursAt, type Positions } from "../controls/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { listed } from "../quantity/index.ts";
import { testedBy, type WiringPlan } from "../wiring/index.ts";
import type { Planned } from "./bench.ts";

interface Tested {
  input: BoardInput;
  device: { id: string; name: string };
  /** True where the board can test it as it is wired; otherwise why not. */
  wired: true | string;
  /** What the test runs over. */
  by: string;
}

/** Every contact on an input that the board can test, and whether its device is wired for it. */
function testedContacts({ placements }: WiringPlan, board: BoardProfile): Tested[] {
  return placements.flatMap(({ demand, place }): Tested[] => {
    if (demand.kind !== "contact" || place?.kind !== "input" || place.input.test === undefined) return [];
    const { input } = place;
    const { device, contact } = demand;
    const rail = board.rails.find((each) => each.id === input.test);
    const output = board.outputs.find((each) => each.id === input.test);
    const by = rail?.label ?? output?.label ?? input.test ?? "";
    const supply = placements.find(
      (each) =>
        each.demand.kind === "supply" &&
        each.demand.device === device &&
        each.demand.supply.id === contact.test,
    );
    const line = output !== undefined && device.profile.pins.some((pin) => pin.id === contact.test);
    const fed = supply?.place !== undefined && testedBy(place, supply.place);
    const why = contact.test === undefined ? "it cannot be tested" : `${by} does not reach it`;
    return [{ input, device, by, wired: line || fed ? true : why }];
  });
}

/** True for an input whose test a setting switches on and off. */
const isTestSet = (board: BoardProfile, input: BoardInput) =>
  input.setBy.includes("photocell-test") && settableBehaviours(board).has("photocell-test");

/** What the test of the board's photocells should be set to, where a setting decides: on where every one on an input it is for can be tested. */
export function testWish(wiring: WiringPlan, board: BoardProfile): boolean | undefined {
  if (!settableBehaviours(board).has("photocell-test")) return undefined;
  const contacts = testedContacts(wiring, board).filter(({ input }) => isTestSet(board, input));
  return contacts.length > 0 && contacts.every(({ wired }) => wired === true);
}

/** Trap 38, where the controls stand: tested without a wire for it, or wired for it and not tested. */
export function testFindings({ wiring, bundle: { board } }: Planned, at: Positions): Finding[] {
  const set = behavioursAt(board, at)["photocell-test"];
  const contacts = testedContacts(wiring, board);
  const others = contacts
    .filter(({ input, wired }) => isTestSet(board, input) && wired !== true)
    .map(({ device }) => device.name);
  const remedy = others.length
    ? `${listed([...new Set(others)])} cannot be tested: put one in place that can, then set the test on.`
    : "Set the test on.";
  return contacts.flatMap(({ input, device, wired, by }): Finding[] => {
    const settable = isTestSet(board, input);
    // An input without a setting is tested always where it has an output for it.
    const on = settable ? set === true : board.outputs.some((output) => output.id === input.test);
    const subjects = [
      { kind: "device" as const, id: device.id },
      { kind: "input" as const, id: input.id },
      { kind: "terminal" as const, id: input.terminal },
    ];
    const values = { input: `${input.label} (${input.terminal})`, device: device.name, rail: by };
    if (on && wired !== true) return [finding("test-without-wire", subjects, { ...values, reason: wired })];
    if (!on && wired === true && settable)
      return [finding("wired-but-not-tested", subjects, { ...values, remedy })];
    return [];
  });
}
