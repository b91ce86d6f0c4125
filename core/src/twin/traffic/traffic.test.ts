import { contactPart, partKey } from "../../node/index.ts";
import { knowingTwin, usualPlan } from "../../testing/twins.ts";
import { brainDoes } from "../brain/index.ts";
import { putFaults } from "../faults/index.ts";
import { twinDoes, twinRuns, type Twin } from "../step/index.ts";
import { sends, spansOf, type Comes } from "./index.ts";

const opened = (id: string): Twin => {
  const it = knowingTwin(usualPlan(id));
  twinDoes(it, (brain) => void brainDoes(brain, { command: "open" }));
  for (let n = 0; n < 600 && it.brain.run; n += 1) twinRuns(it, 0.1);
  it.brain.pause = undefined;
  return it;
};

/** Contacts of one device that are tripped as someone comes by, as seconds. */
function noticed(id: string, device: string, comes: Comes): number {
  const it = opened(id);
  const placed = it.site.wired.devices.find(({ profile }) => profile.id === device)!;
  const keys = placed.profile.contacts.map((contact) => partKey(contactPart(placed.id, contact.id)));
  sends(it.traffic, comes);
  let seconds = 0;
  for (let n = 0; n < 300; n += 1) {
    twinRuns(it, 0.1);
    if (keys.some((key) => it.site.tripped.has(key))) seconds += 0.1;
  }
  return seconds;
}

describe("what notices who comes", () => {
  const door = "lammerlow-thrussel";

  test("sensors of a door see who is on their side: past outside the outer one alone, through it both", () => {
    const past: Comes = { is: "person", goes: "past" };
    const into: Comes = { is: "person", goes: "in" };
    expect(noticed(door, "lammerlow-outside", past)).toBeGreaterThan(0.5);
    expect(noticed(door, "lammerlow-inside", past)).toBe(0);
    expect(noticed(door, "lammerlow-sill", past)).toBe(0);
    for (const device of ["lammerlow-outside", "lammerlow-inside", "lammerlow-sill"])
      expect([device, noticed(door, device, into) > 0.3]).toEqual([device, true]);
  });

  test("a beam is broken for as long as whoever passes is in it: length and beam over speed", () => {
    const beam = "oddlume-glance";
    const vehicle: Comes = { is: "vehicle", goes: "in", metresPerSecond: 1.5 };
    // 4.5 m of vehicle and 0.3 m of beam; both assumed beside their use.
    expect(noticed("quillmarsh-tandrel", beam, vehicle)).toBeCloseTo((4.5 + 0.3) / 1.5, 0);
    expect(noticed("quillmarsh-tandrel", beam, { is: "person", goes: "out" })).toBeCloseTo(
      (0.4 + 0.3) / 1.4,
      0,
    );
  });
});

test("who goes in comes from outside and who goes out from inside, as long as they are; a leaf meets them within its way", () => {
  const it = opened("quillmarsh-tandrel");
  sends(it.traffic, { is: "vehicle", goes: "in", stands: { at: 2, seconds: 30 } });
  sends(it.traffic, { is: "person", goes: "out", stands: { at: 0.2, seconds: 30 } });
  twinRuns(it, 15);
  const [vehicle, person] = spansOf(it.traffic);
  expect(vehicle!.to - vehicle!.from).toBeCloseTo(4.5, 6);
  expect([vehicle!.to, person!.from].map((at) => Math.round(at * 10) / 10)).toEqual([2, -0.2]);
  for (const leaf of Object.values(it.plant.leaves)) {
    expect(leaf.obstacles).toHaveLength(2);
    for (const { at } of leaf.obstacles) {
      expect(at).toBeGreaterThan(0);
      expect(at).toBeLessThan(leaf.body.travel * leaf.body.arm);
    }
  }
});

test("who waits goes once the leaves are more than half open, not sooner", () => {
  const it = knowingTwin(usualPlan("quillmarsh-tandrel"));
  sends(it.traffic, { is: "person", goes: "in" });
  twinRuns(it, 10);
  twinDoes(it, (brain) => void brainDoes(brain, { command: "open" }));
  let parts: number[] = [];
  for (let n = 0; n < 400 && spansOf(it.traffic)[0]!.to < -0.7; n += 1) {
    twinRuns(it, 0.05);
    parts = Object.values(it.plant.leaves).map(({ motion, body }) => motion.at / body.travel);
  }
  expect(Math.min(...parts)).toBeGreaterThan(0.55);
  expect(Math.min(...parts)).toBeLessThan(0.75);
});

test("the edge of a leaf that closes on someone is pressed, and none while they only stand there", () => {
  const it = opened("quillmarsh-tandrel");
  const edges = it.site.wired.devices.flatMap(({ id, profile }) =>
    profile.contacts.filter(({ duty }) => duty === "edge").map(({ id: contact }) => contactPart(id, contact)),
  );
  const isPressed = () => edges.some((edge) => it.site.tripped.has(partKey(edge)));
  // A link that was left in bridges the beam: who stands there is met.
  const { link } = it.brain.board.inputs.find(({ id }) => id === "beam")!;
  putFaults(it, [{ kind: "link-in", link: link! }]);
  sends(it.traffic, { is: "person", goes: "in", stands: { at: 0, seconds: 60 } });
  twinRuns(it, 4);
  expect([edges.length > 0, isPressed()]).toEqual([true, false]);
  twinDoes(it, (brain) => void brainDoes(brain, { command: "close" }));
  let pressed = false;
  for (let n = 0; n < 400 && !pressed; n += 1) {
    twinRuns(it, 0.1);
    pressed = isPressed();
  }
  expect(pressed).toBe(true);
});
