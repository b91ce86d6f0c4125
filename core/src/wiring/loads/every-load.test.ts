import { atWork, railLives, situations, type Situation } from "../../circuit/index.ts";
import { madeFrom } from "../../device/index.ts";
import { plainNumber } from "../../quantity/index.ts";
import type { WiringPlan } from "../index.ts";
import type { Placement } from "../place/index.ts";
import { eachWiring as each, found } from "../../testing/any-wiring.ts";

/** When a relay with this task is pulled in, written once more. */
const pulled = (task: string, situation: Situation): boolean => {
  if (task === "moving") return situation === "opening" || situation === "closing";
  if (task === "lock") return situation === "opening";
  if (task === "traffic-go") return situation === "open";
  return task === "traffic-wait" ? situation !== "open" && atWork(situation) : atWork(situation);
};

/** What a placed supply draws, computed once more: at work or at rest, on a rail that lives, a converter by its outputs. */
function draws(plan: WiringPlan, { demand, place }: Placement, situation: Situation): number {
  if (demand.kind !== "supply" || !place) return 0;
  const working = atWork(situation);
  const lives = (at: Placement["place"]): boolean => {
    if (at?.kind === "rail") return railLives(at.rail, situation);
    if (at?.kind === "relay")
      return (
        (pulled(at.task, situation) !== (at.rests ?? false) ||
          (at.third !== undefined && pulled(at.third.task, situation))) &&
        (at.feed.kind === "spur" || lives(at.feed))
      );
    if (at?.kind !== "made") return false;
    const maker = plan.placements.find(
      (other) =>
        other.demand.kind === "supply" &&
        other.demand.device.id === at.made.device &&
        madeFrom(other.demand.device.profile, other.demand.supply).some(
          (rail) => rail.id === at.made.rail.id,
        ),
    );
    return lives(maker?.place);
  };
  if (!lives(place)) return 0;
  const { device, supply } = demand;
  const outputs = madeFrom(device.profile, supply);
  if (!outputs.length) return working ? supply.milliamps.working : supply.milliamps.rest;
  let asked = 0;
  for (const rail of outputs) {
    const out = plan.placements
      .filter(
        ({ place: at }) => at?.kind === "made" && at.made.device === device.id && at.made.rail.id === rail.id,
      )
      .reduce((sum, other) => sum + draws(plan, other, situation), 0);
    const form = supply.kind === "dc" ? 1 : rail.formFactor;
    const volts = (supply.volts.min + supply.volts.max) / 2;
    asked += rail.manner === "rectifier" ? form * out : (form * rail.volts * out) / (rail.efficiency * volts);
  }
  return Math.max(supply.milliamps.rest, asked);
}

test("every limit carries the sum of what is fed over it, in every situation, and its worst is the worst", () => {
  let relays = 0;
  each((plan, { board, job }, id) => {
    for (const rail of plan.rails) {
      const on = plan.placements.filter(({ demand, place }) => {
        if (demand.kind !== "supply" || !place) return false;
        const { limit } = rail;
        if (limit.kind === "made-rail") {
          const maker = plan.devices.find(({ id: device }) => device === limit.device)!;
          const output = maker.profile.provides.find((each) => each.id === limit.rail)!;
          if (output.feeds.includes("battery"))
            return place.kind === "rail" && railLives(place.rail, "battery");
          return (
            place.kind === "made" && place.made.device === limit.device && place.made.rail.id === limit.rail
          );
        }
        const feed = place.kind === "relay" ? place.feed : place;
        if (feed.kind !== "rail") return false;
        return limit.kind === "budget" ? feed.rail.budget === limit.budget : feed.rail.id === limit.rail;
      });
      relays += on.filter(({ place }) => place?.kind === "relay").length;
      for (const situation of situations) {
        const cards = rail.limit.kind === "budget" ? rail.limit.budget : "";
        const fitted = board.cards.filter(
          (card) => (job.cards ?? []).includes(card.id) && card.budget === cards,
        );
        const { limit } = rail;
        const battery =
          limit.kind === "made-rail" &&
          plan.devices
            .find((device) => device.id === limit.device)!
            .profile.provides.some((output) => output.id === limit.rail && output.feeds.includes("battery"));
        // A battery feeds nothing while there is mains.
        if (battery && situation !== "battery") {
          expect([id, rail.label, situation, rail.milliamps[situation]]).toEqual([
            id,
            rail.label,
            situation,
            0,
          ]);
          continue;
        }
        const sum =
          on.reduce((total, placed) => total + draws(plan, placed, situation), 0) +
          fitted.reduce((total, card) => total + card.milliamps, 0);
        expect([id, rail.label, situation, rail.milliamps[situation]]).toEqual([
          id,
          rail.label,
          situation,
          expect.closeTo(sum, 6),
        ]);
      }
      const most = Math.max(...situations.map((situation) => rail.milliamps[situation]));
      expect(rail.milliamps[rail.worst]).toBe(most);
      expect(rail.workingMilliamps).toBe(most);
    }
  });
  expect(relays).toBeGreaterThan(0);
});

test("a limit is told as passed where it is, and only there, with how much by", () => {
  let told = 0;
  each((plan) => {
    const over = plan.rails.filter(
      ({ workingMilliamps, limitMilliamps }) => workingMilliamps > limitMilliamps,
    );
    const within = plan.rails.filter((rail) => !over.includes(rail));
    const names = (code: string) => found(plan, code).map(({ values }) => values.rail ?? values.converter);
    for (const { label, limit, workingMilliamps, limitMilliamps } of over) {
      const made = limit.kind === "made-rail";
      const codes = made ? ["converter-too-small"] : ["rail-overloaded", "converter-asks-too-much"];
      const own = codes.flatMap((code) =>
        found(plan, code).filter(({ values }) => [values.rail, values.converter].includes(label)),
      );
      expect([label, own.length > 0]).toEqual([label, true]);
      const excess = own.find(({ code }) => code === "rail-overloaded")?.values.excess;
      if (excess) expect(excess).toBe(`${plainNumber(workingMilliamps - limitMilliamps)} mA`);
      told += 1;
    }
    for (const { label } of within.filter((rail) => !over.some((each) => each.label === rail.label)))
      for (const code of ["converter-too-small", "rail-overloaded"]) expect(names(code)).not.toContain(label);
  });
  expect(told).toBeGreaterThan(1);
});
