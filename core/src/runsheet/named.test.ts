import { menuValues } from "../board/index.ts";
import { planJob } from "../plan/index.ts";
import { boardIds, bundleOn, planOn, usualDevices } from "../testing/shipped.ts";

const plans = boardIds().map((id) => planOn(id, usualDevices(id)));

test("a control that a step rests on has the name on the board: a dial and an entry by their labels, a switch by its mark", () => {
  const kinds = new Set<string>();
  for (const { bundle, sheet } of plans)
    for (const { id, kind, name } of sheet.flatMap(({ voidBy }) => voidBy?.controls ?? [])) {
      const { board } = bundle;
      const [label] =
        kind === "values"
          ? menuValues(board).flatMap(({ item }) => (item.id === id ? [item.label] : []))
          : board.dials.flatMap((dial) => (kind === "dials" && dial.id === id ? [dial.label] : []));
      if (kind === "switches") expect([board.id, name]).toEqual([board.id, id]);
      else
        expect([board.id, id, name.toLowerCase()]).toEqual([
          board.id,
          id,
          expect.stringContaining(label!.toLowerCase()),
        ]);
      kinds.add(kind);
    }
  expect([...kinds].sort()).toEqual(["dials", "switches", "values"]);
});

test("a step of a procedure that moves a control lights it as what it is, a dial as a dial", () => {
  const bundle = bundleOn("quillmarsh-tandrel", usualDevices("quillmarsh-tandrel"));
  const { procedures, dials, slides, dips } = bundle.board;
  const learn = procedures.find(({ kind }) => kind === "learn")!;
  const moved = [
    { kind: "dial", id: dials[1]!.id, to: "9:00" },
    { kind: "slide", id: slides[0]!.id, to: slides[0]!.positions[0]! },
    { kind: "switch", id: `${dips[0]!.id}1`, to: "on" },
  ];
  learn.steps[0]!.do = moved.map(({ id, to }) => ({ set: { control: id, to } }));
  const { subjects } = planJob(bundle).sheet.find(({ id }) => id.startsWith(`do:${learn.id}:`))!;
  expect(subjects).toEqual(expect.arrayContaining(moved.map(({ kind, id }) => ({ kind, id }))));
});

test("an entry that stands alone in its menu has nothing beside it to be taken for it", () => {
  const bundle = bundleOn("furzel-slathorn", usualDevices("furzel-slathorn"));
  expect(JSON.stringify(planJob(structuredClone(bundle)).sheet)).toMatch(/Beside it stand/);
  for (const menu of bundle.board.panel!.menus) {
    const [first] = menu.items.filter(({ choices, number }) => choices ?? number);
    if (first && menu.items.every((item) => !item.menu)) menu.items = [first];
  }
  expect(JSON.stringify(planJob(bundle).sheet)).not.toMatch(/Beside it stands? ?:/);
});
