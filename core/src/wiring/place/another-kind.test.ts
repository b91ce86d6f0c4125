import { shippedDevices, planOn } from "../../testing/shipped.ts";
import { wordsOf } from "../../finding/index.ts";
import { anotherKind } from "./index.ts";

describe("trap 20: the other kind of current", () => {
  test("a drive for direct current at a motor's alternating current: no converter is told to stand there", () => {
    for (const [board, drive] of [
      ["hexby-hoistrum", "pengrath-haul"],
      ["furzel-slathorn", "quillmarsh-heron"],
    ] as const) {
      const { wiring } = planOn(board, [drive]);
      const [told] = wiring.findings.filter(({ code }) => code === "ac-on-dc");
      expect([board, told && wordsOf(told).remedy]).toEqual([
        board,
        expect.stringMatching(/^Choose a drive for \d+ V AC, or a board for this one/),
      ]);
    }
  });

  test("each kind says what the other does to it", () => {
    const supplies = shippedDevices().flatMap(({ supplies }) => supplies);
    for (const [kind, harm] of [
      ["dc", /direct current device overheats/],
      ["ac", /draw far too much direct current/],
    ] as const) {
      const supply = supplies.find((each) => each.kind === kind)!;
      const at = { device: "Strip heater", where: "its cores", given: "24 V", remedy: "Take it off." };
      expect(wordsOf(anotherKind([], supply, at)).why).toMatch(harm);
    }
  });
});
