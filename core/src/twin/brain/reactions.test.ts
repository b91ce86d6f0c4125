import type { Act, BoardProfile, ReactionMoment } from "../../board/index.ts";
import { conditionHolds } from "../../board/index.ts";
import { boardIds, shippedBoard } from "../../testing/shipped.ts";
import { knowingBrain } from "../../testing/twins.ts";
import { askOf, brainDoes, setTripped, waits, type Brain } from "./index.ts";

const drivers = boardIds().filter((id) => shippedBoard(id).leaves > 0);
const toward = ({ run }: Brain) => run?.toward;

/** What an input does in a moment on a board as it stands. */
function actOf({ board }: Brain, ask: ReturnType<typeof askOf>, input: string, moment: ReactionMoment): Act {
  return board.inputs
    .find(({ id }) => id === input)!
    .reactions.find(({ when }) => conditionHolds(when, ask))![moment];
}

/** Every protection of a board, switched on. */
const guards = (board: BoardProfile) => board.inputs.filter((input) => input.guards.length > 0);

describe.each(drivers)("the protections of %s", (id) => {
  const board = shippedBoard(id);

  test.each(guards(board).map((input) => [input.id]))(
    "%s: at rest it refuses what its profile says, and nothing else",
    (input) => {
      for (const [moment, what] of [
        ["closed", "open"],
        ["open", "close"],
      ] as const) {
        const brain = knowingBrain(id, { leaf: moment }, { open: input });
        brainDoes(brain, { command: what });
        const act = actOf(brain, askOf(brain), input, moment);
        expect([moment, toward(brain) !== undefined]).toEqual([moment, act !== "refuse" && act !== "hold"]);
      }
    },
  );

  test.each(guards(board).map((input) => [input.id]))(
    "%s: under way it does what its profile says",
    (input) => {
      for (const [moment, what, back] of [
        ["opening", "open", "closed"],
        ["closing", "close", "open"],
      ] as const) {
        const brain = knowingBrain(id, { leaf: what === "open" ? "closed" : "open" }, { open: input });
        setTripped(brain, input, false);
        brainDoes(brain, { command: what });
        waits(brain, 3);
        setTripped(brain, input, true);
        const act = actOf(brain, askOf(brain), input, moment);
        const goesOn = act === "ignore" || act === "slow";
        const turns = act === "reverse" || act === "stop-reverse";
        const wanted = goesOn ? (what === "open" ? "open" : "closed") : turns ? back : undefined;
        expect([moment, act, toward(brain)]).toEqual([moment, act, wanted]);
      }
    },
  );
});

test("what waits for a protection to clear goes on then, and never once someone commanded, stopped it, cut the power or let a key go", () => {
  let waited = 0;
  for (const id of drivers)
    for (const input of guards(shippedBoard(id)))
      for (const [moment, what, end] of [
        ["opening", "open", "open"],
        ["closing", "close", "closed"],
      ] as const)
        for (const row of input.reactions) {
          if (row[moment] !== "stop-until-clear") continue;
          const after = (meanwhile: (brain: Brain) => void, because: "command" | "held" = "command") => {
            const brain = knowingBrain(id, { leaf: what === "open" ? "closed" : "open" }, row.when ?? {});
            brainDoes(brain, { command: what });
            waits(brain, 3);
            brain.run!.because = because;
            setTripped(brain, input.id, true);
            meanwhile(brain);
            setTripped(brain, input.id, false);
            return toward(brain);
          };
          expect([id, input.id, moment, after(() => {})]).toEqual([id, input.id, moment, end]);
          expect([id, input.id, after(() => {}, "held")]).toEqual([id, input.id, undefined]);
          const stops = guards(shippedBoard(id)).find(({ takes }) => takes.includes("stop"));
          const others: ((brain: Brain) => void)[] = [
            (brain) => brainDoes(brain, { command: "stop" }),
            (brain) => {
              brainDoes(brain, { power: "off" });
              brainDoes(brain, { power: "on" });
            },
            ...(stops && stops.off === undefined && stops.reactions.length === 1
              ? [
                  (brain: Brain) => {
                    setTripped(brain, stops.id, true);
                    setTripped(brain, stops.id, false);
                  },
                ]
              : []),
          ];
          for (const [n, meanwhile] of others.entries())
            expect([id, input.id, moment, n, after(meanwhile)]).toEqual([id, input.id, moment, n, undefined]);
          waited += others.length;
        }
  expect(waited).toBeGreaterThan(6);
});
