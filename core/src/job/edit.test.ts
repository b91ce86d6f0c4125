import { behaviour, behaviourIds } from "../board/index.ts";
import { demoBundle, shippedBoard, shippedDevices } from "../testing/shipped.ts";
import {
  applyEdit,
  assumedCable,
  assumedLeaf,
  draftInstance,
  draftJob,
  editSchema,
  jobSchema,
  leavesLike,
  undoEdits,
  type Job,
  type JobEdit,
} from "./index.ts";

const job: Job = { ...demoBundle("netloft").job, assumed: [assumedLeaf(0, "massKg")] };
const device = (now: Job, id: string) => now.devices.find((each) => each.id === id);
const after = (...edits: JobEdit[]) => edits.reduce(applyEdit, job);

/** One edit of every kind that changes the demo job. */
const edits: JobEdit[] = [
  { kind: "site", title: "Net loft", site: { ...job.site, customer: "Perrin" }, installer: "Ivet" },
  { kind: "survey", survey: { ...job.survey, serviceMonths: 6 } },
  { kind: "use", use: "door" },
  { kind: "card", takes: ["a", "b"], card: "b", delivered: ["a", "c"] },
  { kind: "add-device", device: { ...job.devices[0]!, id: "another" } },
  { kind: "change-device", device: { ...device(job, "stop")!, name: "Halt" } },
  { kind: "remove-device", device: "stop" },
  { kind: "wish", behaviour: "force", value: 61 },
  {
    kind: "preset",
    preset: { id: "house", name: "House", wishes: { force: { value: 40, why: "Light leaves." } } },
    wishes: { force: 40 },
  },
  { kind: "overrule", behaviour: "leaf-count", value: 1 },
  { kind: "choose", procedure: "pair-ped", on: true, others: ["pair-step"] },
  { kind: "proof", proof: "after" },
  { kind: "firmware", firmware: "9.9" },
  { kind: "noted", noted: !job.found.noted },
  { kind: "found-link", id: "link-stop", to: "out" },
  { kind: "found-control", of: "dials", id: "V1", to: "9:15" },
  { kind: "pin", device: "stop", pin: "a", terminal: "P2" },
  { kind: "colour", device: "stop", pin: "a", colour: "VT" },
  { kind: "run", parts: [{ device: "stop", part: "button" }], run: "street post" },
  { kind: "confirm", what: [assumedLeaf(0, "massKg")] },
  { kind: "assume", what: [assumedLeaf(0, "widthMm")] },
  { kind: "cable-sizes", sizes: [{ device: "stop", part: "button", sizeMm2: 2.5 }] },
];

describe("edits of a job", () => {
  test.each(edits.map((edit) => [edit.kind, edit] as const))(
    "%s: as data it comes back from JSON, leaves a sound job, and changes no other part twice",
    (_, edit) => {
      const sent = editSchema.parse(JSON.parse(JSON.stringify(edit)));
      const changed = applyEdit(job, sent);
      expect(changed).not.toEqual(job);
      expect(jobSchema.safeParse(changed).error).toBeUndefined();
      if (edit.kind !== "add-device") expect(applyEdit(changed, sent)).toEqual(changed);
    },
  );

  test("every kind of edit is tried here", () => {
    const kinds = editSchema.options.map((option) => option.shape.kind.value);
    expect(edits.map(({ kind }) => kind).sort()).toEqual([...kinds].sort());
  });

  test("of procedures that stand in one place one is chosen at most; what is chosen besides stays", () => {
    const choose = (procedure: string, on: boolean, others: string[]): JobEdit => ({
      kind: "choose",
      procedure,
      on,
      others,
    });
    const ways = ["by-hand", "by-sensor"];
    expect(after(choose("keypad", true, []), choose("by-hand", true, ways)).chosen).toEqual([
      "keypad",
      "by-hand",
    ]);
    expect(after(choose("by-hand", true, ways), choose("by-sensor", true, ways)).chosen).toEqual([
      "by-sensor",
    ]);
    expect(
      after(choose("keypad", true, []), choose("by-hand", true, ways), choose("by-hand", false, ways)).chosen,
    ).toEqual(["keypad"]);
  });

  test("each changes what it names and nothing else", () => {
    expect(after({ kind: "wish", behaviour: "force", value: 61 })).toEqual({
      ...job,
      wishes: { ...job.wishes, force: 61 },
    });
    expect(after({ kind: "found-link", id: "link-stop", to: "out" }).found).toEqual({
      ...job.found,
      links: { ...job.found.links, "link-stop": "out" },
    });
    const pinned = after({ kind: "pin", device: "stop", pin: "a", terminal: "P2" });
    expect(device(pinned, "stop")).toEqual({ ...device(job, "stop"), pinned: { a: "P2" } });
    expect(pinned.devices.filter(({ id }) => id !== "stop")).toEqual(
      job.devices.filter(({ id }) => id !== "stop"),
    );
  });

  test("what is taken back is gone, and leaves no empty record behind", () => {
    const set: JobEdit = { kind: "pin", device: "stop", pin: "a", terminal: "P2" };
    expect(device(after(set, { ...set, terminal: undefined }), "stop")?.pinned).toBeUndefined();
    expect(after({ kind: "wish", behaviour: "force" }).wishes).not.toHaveProperty("force");
    const run: JobEdit = { kind: "run", parts: [{ device: "stop", part: "button" }], run: "post" };
    expect(device(after(run), "stop")?.cables.button?.run).toBe("post");
    expect(device(after(run, { ...run, run: undefined }), "stop")?.cables.button).not.toHaveProperty("run");
  });

  test("a cable's size changes that cable alone, though its device has another", () => {
    const [cell] = job.devices.filter(({ cables }) => Object.keys(cables).length > 1);
    const [part, ...others] = Object.keys(cell!.cables);
    const changed = after({ kind: "cable-sizes", sizes: [{ device: cell!.id, part: part!, sizeMm2: 2.5 }] });
    expect(device(changed, cell!.id)?.cables[part!]?.sizeMm2).toBe(2.5);
    for (const other of others) expect(device(changed, cell!.id)?.cables[other]).toEqual(cell!.cables[other]);
    expect(changed.devices.filter(({ id }) => id !== cell!.id)).toEqual(
      job.devices.filter(({ id }) => id !== cell!.id),
    );
  });

  test("a second device with an id that is taken gets the next free one, and a name to match", () => {
    const stop = device(job, "stop")!;
    const twice = after({ kind: "add-device", device: stop }, { kind: "add-device", device: stop });
    const added = twice.devices.slice(job.devices.length);
    expect(added.map(({ id, name }) => [id, name])).toEqual([
      ["stop-2", `${stop.name} (2)`],
      ["stop-3", `${stop.name} (3)`],
    ]);
  });

  test("made on a version of the job where its device is gone, an edit changes nothing", () => {
    const without = applyEdit(job, { kind: "remove-device", device: "stop" });
    for (const edit of edits)
      if (["pin", "colour", "run", "cable-sizes", "change-device", "remove-device"].includes(edit.kind))
        expect(applyEdit(without, edit)).toEqual(without);
  });

  test("a card takes the place of those its slot takes, first of all of those a new board comes with", () => {
    const card: JobEdit = { kind: "card", takes: ["a", "b"], card: "b", delivered: ["a", "c"] };
    expect(after(card).cards).toEqual(["c", "b"]);
    expect(after(card, { ...card, card: undefined }).cards).toEqual(["c"]);
  });

  test("the wishes an edit may name are the behaviours there are", () => {
    for (const id of behaviourIds)
      expect(editSchema.safeParse({ kind: "wish", behaviour: id, value: 1 }).success).toBe(
        behaviour(id) !== undefined,
      );
    expect(editSchema.safeParse({ kind: "wish", behaviour: "colour" }).success).toBe(false);
  });
});

describe("taking an edit back", () => {
  const undone = edits.flatMap((edit) => {
    const back = undoEdits(job, edit);
    return back ? [[edit.kind, edit, back] as const] : [];
  });

  test.each(undone)("%s leaves the job as it was", (_, edit, back) => {
    // A list of none says the same as no list.
    const told = (each: Job) => ({ ...each, overruled: each.overruled ?? [] });
    expect(told(back.reduce(applyEdit, applyEdit(job, edit)))).toEqual(told(job));
  });

  test("what was removed, wished, begun or confirmed can be taken back", () => {
    expect(undone.map(([kind]) => kind)).toEqual(
      expect.arrayContaining(["add-device", "remove-device", "wish", "preset", "overrule", "confirm"]),
    );
  });

  test("what was changed since stays", () => {
    const remove: JobEdit = { kind: "remove-device", device: "stop" };
    const since: JobEdit = { kind: "wish", behaviour: "force", value: 61 };
    const back = undoEdits(job, remove)!;
    expect(back.reduce(applyEdit, after(remove, since))).toEqual(after(since));
  });

  test("a wish that overruled the site overrules it again", () => {
    const overruled = after({ kind: "overrule", behaviour: "leaf-count", value: 1 });
    for (const edit of [
      { kind: "overrule", behaviour: "leaf-count" },
      { kind: "preset", wishes: {} },
    ] as const satisfies JobEdit[]) {
      const back = undoEdits(overruled, edit)!;
      const again = back.reduce(applyEdit, applyEdit(overruled, edit));
      expect(again.overruled).toEqual(overruled.overruled);
      expect(again.wishes).toEqual(overruled.wishes);
    }
  });
});

describe("what is assumed", () => {
  const board = shippedBoard("quillmarsh-tandrel");
  const drafted = draftJob("new", "New", "Someone", board);
  const cell = shippedDevices().find(({ kind }) => kind === "photocell")!;
  const withCell = applyEdit(drafted, { kind: "add-device", device: draftInstance(drafted, cell) });
  const added = withCell.devices[0]!;
  const survey = (leaves: Job["survey"]["leaves"]): JobEdit => ({
    kind: "survey",
    survey: { ...drafted.survey, leaves },
  });

  test("is every size of a draft, until it is written otherwise or confirmed", () => {
    expect(drafted.assumed).toContain(assumedLeaf(0, "massKg"));
    const [first, second] = drafted.survey.leaves;
    const weighed = applyEdit(drafted, survey([{ ...first!, massKg: 203 }, second!]));
    expect(weighed.assumed).not.toContain(assumedLeaf(0, "massKg"));
    expect(weighed.assumed).toEqual(
      expect.arrayContaining([assumedLeaf(1, "massKg"), assumedLeaf(0, "widthMm")]),
    );
    const sure = applyEdit(drafted, { kind: "confirm", what: drafted.assumed! });
    expect(sure.assumed).toBeUndefined();
  });

  test("of a second leaf is what is assumed of the first", () => {
    const single = applyEdit(drafted, survey(leavesLike(drafted.survey.leaves[0]!, 1)));
    expect(single.assumed).not.toContain(assumedLeaf(1, "massKg"));
    const weighed = applyEdit(single, survey([{ ...single.survey.leaves[0]!, massKg: 203 }]));
    const pair = applyEdit(weighed, survey(leavesLike(weighed.survey.leaves[0]!, 2)));
    expect(pair.assumed).not.toContain(assumedLeaf(1, "massKg"));
    expect(pair.assumed).toContain(assumedLeaf(1, "widthMm"));
  });

  test("is a new device's cable, until its length is another; with the device it goes", () => {
    const [part, cable] = Object.entries(added.cables)[0]!;
    const key = assumedCable(added.id, part);
    expect(withCell.assumed).toContain(key);
    const change = (to: typeof cable): JobEdit => ({
      kind: "change-device",
      device: { ...added, cables: { ...added.cables, [part]: to } },
    });
    expect(applyEdit(withCell, change({ ...cable, sizeMm2: 1.5 })).assumed).toContain(key);
    expect(applyEdit(withCell, change({ ...cable, lengthM: 12 })).assumed).not.toContain(key);
    expect(applyEdit(withCell, { kind: "remove-device", device: added.id }).assumed).toEqual(drafted.assumed);
  });
});
