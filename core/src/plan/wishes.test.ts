import { behavioursAt, foundPositions, planControls } from "../controls/index.ts";
import { boardIds, bundleOn, shippedDevices } from "../testing/shipped.ts";
import { planWiring } from "../wiring/index.ts";
import { wishesOf } from "./wishes.ts";

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
