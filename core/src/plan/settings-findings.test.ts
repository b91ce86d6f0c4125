import { behaviour, deliveredCards, settableBehaviours, type BehaviourId } from "../board/index.ts";
import { wordsOf } from "../finding/index.ts";
import type { Job } from "../job/index.ts";
import { boardIds, bundleOn, fittingDrives, planOn, usualDevices } from "../testing/shipped.ts";
import { planJob } from "./plan.ts";

const codesOn = (board: string, devices: string[], wishes: Job["wishes"] = {}) =>
  planOn(board, devices, wishes).findings.map(({ code }) => code);

/** Boards on which every one of these can be set. */
const able = (...ids: BehaviourId[]) =>
  boardIds().filter((board) => {
    const settable = settableBehaviours(bundleOn(board, []).board);
    return ids.every((id) => settable.has(id));
  });

test("trap 50: closing after passage without automatic closing is told, with it not", () => {
  const boards = able("close-after-passage", "automatic-closing");
  expect(boards.length).toBeGreaterThan(1);
  for (const board of boards) {
    const told = (automatic: boolean) =>
      codesOn(board, usualDevices(board), {
        "close-after-passage": true,
        "automatic-closing": automatic,
      }).includes("passage-without-automatic-closing");
    expect([board, told(false), told(true)]).toEqual([board, true, false]);
  }
});

// Common practice, no published source at hand: 0.7 s of push time at most.
test("trap 17: low-energy mode with a push time over 0.7 s is told, up to it not", () => {
  const boards = able("low-energy", "push-time");
  expect(boards.length).toBeGreaterThan(0);
  for (const board of boards) {
    const told = (wishes: Job["wishes"]) =>
      codesOn(board, usualDevices(board), wishes).includes("low-energy-long-push");
    expect([board, told({ "low-energy": true, "push-time": 2 })]).toEqual([board, true]);
    expect([board, told({ "low-energy": false, "push-time": 2 })]).toEqual([board, false]);
    expect([board, told({ "low-energy": true, "push-time": 0.5 })]).toEqual([board, false]);
  }
});

test("trap 48: a stop that is set to be ignored while opening is a danger", () => {
  const boards = able("stop-ignored-opening");
  expect(boards.length).toBeGreaterThan(0);
  for (const board of boards) {
    const told = (ignored: boolean) =>
      codesOn(board, ["lumbrick-halt"], { "stop-ignored-opening": ignored }).includes("stop-ignored-opening");
    expect([board, told(true), told(false)]).toEqual([board, true, false]);
  }
});

test("leaves that are to meet and are delayed are told; either alone is not", () => {
  const boards = boardIds().filter((board) => {
    const { board: profile } = bundleOn(board, []);
    const settable = settableBehaviours(profile);
    return profile.leaves > 1 && settable.has("leaf-delay-closing") && settable.has("leaves-meet");
  });
  for (const board of boards) {
    const told = (meet: boolean, delay: number) =>
      codesOn(board, fittingDrives(board), { "leaves-meet": meet, "leaf-delay-closing": delay }).includes(
        "meeting-leaves-delayed",
      );
    expect([board, told(true, 4), told(false, 4), told(true, 0)]).toEqual([board, true, false, false]);
  }
});

test("a photocell with a battery sender that is to act both ways is told, one that is fed is not", () => {
  const boards = able("photocell-reaction").filter(
    (board) =>
      Object.keys((behaviour("photocell-reaction") as { choices?: object }).choices ?? {}).includes("both") &&
      planOn(board, ["oddlume-moth"]).wiring.placements.every(({ place }) => place),
  );
  const told = boards.filter((board) => {
    const both = (device: string) =>
      codesOn(board, [device], { "photocell-reaction": "both" }).includes("battery-cell-both-ways");
    expect([board, both("oddlume-glance")]).toEqual([board, false]);
    return both("oddlume-moth");
  });
  expect(told.length).toBeGreaterThan(1);
});

test("an input that is wished off with something on it is a danger and names the device, on every board that can", () => {
  let told = 0;
  for (const board of boardIds()) {
    const plan = planOn(board, usualDevices(board));
    for (const { demand, place } of plan.wiring.placements) {
      if (demand.kind !== "contact" || place?.kind !== "input" || !place.input.off) continue;
      const { behaviour: id, is } = place.input.off;
      const wished = planJob({
        ...plan.given,
        job: { ...plan.given.job, wishes: { ...plan.given.job.wishes, [id]: is } },
      });
      const off = wished.findings.filter(({ code }) => code === "input-wished-off");
      expect([board, id, off.map((each) => each.values.device)]).toEqual([
        board,
        id,
        expect.arrayContaining([demand.device.name]),
      ]);
      expect(wished.dangers.map(({ code }) => code)).toContain("input-wished-off");
      told += 1;
    }
    expect(plan.findings.some(({ code }) => code === "input-wished-off")).toBe(false);
  }
  expect(told).toBeGreaterThan(3);
});

test("wishes that lead to nothing are said: a leaf delay on one leaf, a reaction of an input that stays empty", () => {
  const { given } = planOn("osierbeck-quernish", ["marlstreet-strut"], { "leaf-delay-closing": 3 });
  const one = { ...given.job, survey: { ...given.job.survey, leaves: given.job.survey.leaves.slice(0, 1) } };
  const idle = planJob({ ...given, job: one }).findings.filter(({ code }) => code === "wish-without-effect");
  expect(idle.map((each) => wordsOf(each).what)).toEqual([
    expect.stringMatching(/^Wished and of no effect here: Leaf delay on closing 3 s/),
  ]);
  expect(
    codesOn("osierbeck-quernish", ["marlstreet-strut", "marlstreet-strut"], { "leaf-delay-closing": 3 }),
  ).not.toContain("wish-without-effect");
  const empty = able("photocell-reaction").filter((board) => {
    const { board: profile } = bundleOn(board, []);
    const input = profile.inputs.find(({ off, link }) => off?.behaviour === "photocell-reaction" && !link);
    if (!input) return false;
    const wish = { "photocell-reaction": "closing" };
    expect([board, codesOn(board, [], wish).includes("wish-without-effect")]).toEqual([board, true]);
    expect([board, codesOn(board, ["oddlume-glance"], wish).includes("wish-without-effect")]).toEqual([
      board,
      false,
    ]);
    return true;
  });
  expect(empty.length).toBeGreaterThan(0);
});

test("trap 32: more remotes than the board keeps", () => {
  const fobs = (n: number) => Array.from({ length: n }, () => "tallow-fob");
  const { board } = bundleOn("copperfold-casspel", []);
  const kept = board.memories.find(({ holds }) => holds === "remotes")!.capacity!;
  const told = (n: number) => codesOn("copperfold-casspel", fobs(n)).includes("memory-full");
  expect([told(kept), told(kept + 1)]).toEqual([false, true]);
  expect(deliveredCards(board)).toEqual([]);
});

test("trap 10: on a board whose ways depend on it, firmware that is not noted is told", () => {
  const told = boardIds().filter((id) => {
    const at = (firmware: string) => planOn(id, [], {}, firmware).findings.map(({ code }) => code);
    const { board } = bundleOn(id, []);
    for (const known of board.firmware) expect(at(known)).not.toContain("firmware-needed");
    return at("").includes("firmware-needed");
  });
  expect(told).toContain("hexby-hoistrum");
  expect(told.length).toBeLessThan(boardIds().length);
});
