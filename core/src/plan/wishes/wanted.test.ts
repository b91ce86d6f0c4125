import { behavioursAt, foundPositions, planControls } from "../../controls/index.ts";
import { boardIds, bundleOn, shippedDevices } from "../../testing/shipped.ts";
import { planWiring } from "../../wiring/index.ts";
import { wishesOf } from "./wanted.ts";

/** Devices that open a loop as they trip, one of each kind. */
const guards = shippedDevices()
  .filter(({ contacts }) => contacts.some((contact) => contact.rest === "closed"))
  .filter(({ kind }, index, all) => all.findIndex((each) => each.kind === kind) === index);

test("whatever sits alone on an input that a setting switches off, counts once the controls stand as planned", () => {
  const switched = boardIds().flatMap((id) =>
    guards.flatMap((device) => {
      const bundle = bundleOn(id, [device.id]);
      const wiring = planWiring(bundle);
      const { positions } = planControls(
        bundle.board,
        wishesOf(bundle, wiring),
        foundPositions(bundle.board, bundle.job.found),
      );
      const given = behavioursAt(bundle.board, positions);
      return wiring.placements.flatMap(({ place }) => {
        if (place?.kind !== "input" || !place.input.off) return [];
        const { behaviour, is } = place.input.off;
        expect([id, device.id, place.input.id, given[behaviour]]).not.toEqual([
          id,
          device.id,
          place.input.id,
          is,
        ]);
        return [behaviour];
      });
    }),
  );
  expect(new Set(switched).size).toBeGreaterThan(3);
});

test("an input that stays empty is off where a setting can do it, and a wish of one's own stands", () => {
  const bundle = bundleOn("furzel-slathorn", ["lumbrick-halt"]);
  expect(wishesOf(bundle, planWiring(bundle))).toMatchObject({
    "stop-reaction": "stop",
    "photocell-reaction": "off",
    "photocell-2-reaction": "off",
  });
  bundle.job.wishes["stop-reaction"] = "off";
  expect(wishesOf(bundle, planWiring(bundle))["stop-reaction"]).toBe("off");
});

test("an input whose use a setting chooses is set for what sits on it, whatever was wished", () => {
  const bundle = bundleOn("hexby-hoistrum", ["tallow-digits"], { "input-2-use": "fire" });
  const on = (duty: "fire" | "pedestrian") => {
    const wiring = planWiring(bundle);
    const { demand } = wiring.placements.find((each) => each.demand.kind === "contact")!;
    const input = bundle.board.inputs.find(({ id }) => id === "i2")!;
    if (demand.kind !== "contact") throw new Error("no contact");
    const placement = {
      demand: { ...demand, contact: { ...demand.contact, duty } },
      place: { kind: "input" as const, input },
    };
    return wishesOf(bundle, { ...wiring, placements: [placement as never] })["input-2-use"];
  };
  expect([on("pedestrian"), on("fire")]).toEqual(["pedestrian", "fire"]);
  expect(wishesOf(bundle, { ...planWiring(bundle), placements: [] })["input-2-use"]).toBe("fire");
});

test("of one leaf nothing is wanted that only a pair has, whatever was wished", () => {
  const wishes = { "leaf-delay-closing": 4, "leaf-delay-opening": 2, "opening-speed": 60 };
  const bundle = bundleOn("osierbeck-quernish", [], wishes);
  expect(wishesOf(bundle, planWiring(bundle))).toMatchObject(wishes);
  bundle.job.survey.leaves = [{ ...bundle.job.survey.leaves[0]!, id: "only" }];
  const alone = wishesOf(bundle, planWiring(bundle));
  expect([alone["leaf-delay-closing"], alone["leaf-delay-opening"]]).toEqual([undefined, undefined]);
  expect(alone["opening-speed"]).toBe(60);
});
