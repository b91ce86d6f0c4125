import { behaviour, behaviourText, movingThing, type BehaviourId, type BoardInput } from "../board/index.ts";
import { behavioursAt } from "../controls/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { listed, plainNumber } from "../quantity/index.ts";
import { menuKeysThatMove } from "../panel/index.ts";
import type { Planned } from "../state/index.ts";

/** How long a low-energy door may press on an obstacle, s. Common practice, no published source at hand. */
const lowEnergyPushSeconds = 0.7;

/** What the board will do once the plan is done. */
export const plannedBehaviours = ({ bundle: { board }, controls }: Planned) =>
  behavioursAt(board, controls.positions);

const about = (id: BehaviourId) => [{ kind: "behaviour" as const, id }];

/** Traps 17 and 50, and leaves that are to meet and are delayed. */
function contradictions(planned: Planned): Finding[] {
  const given = plannedBehaviours(planned);
  const push = given["push-time"];
  const delays = (["opening", "closing"] as const).flatMap((when): Finding[] => {
    // As it is wished: a board whose entry begins at a second passes over it where the leaves meet.
    const delay = planned.bundle.job.wishes[`leaf-delay-${when}`];
    if (given["leaves-meet"] !== true || typeof delay !== "number" || delay === 0) return [];
    return [
      finding("meeting-leaves-delayed", about(`leaf-delay-${when}`), {
        delay: behaviourText(`leaf-delay-${when}`, delay),
        when,
      }),
    ];
  });
  return [
    ...(given["close-after-passage"] === true && given["automatic-closing"] === false
      ? [finding("passage-without-automatic-closing", about("close-after-passage"))]
      : []),
    ...(given["low-energy"] === true && typeof push === "number" && push > lowEnergyPushSeconds
      ? [
          finding("low-energy-long-push", about("push-time"), {
            time: behaviourText("push-time", push),
            most: `${plainNumber(lowEnergyPushSeconds)} s`,
          }),
        ]
      : []),
    ...delays,
  ];
}

/** Every contact that is planned on an input, with the input. */
function contactsOn({ wiring }: Planned) {
  return wiring.placements.flatMap(({ demand, place }) =>
    demand.kind === "contact" && place?.kind === "input"
      ? [{ device: demand.device, contact: demand.contact, input: place.input }]
      : [],
  );
}

const inputText = ({ label, terminal }: BoardInput) => `${label} (${terminal})`;

/** Trap 48, inputs that are wished off with something on them, and a battery photocell that is to act both ways. */
function inputFindings(planned: Planned): Finding[] {
  const given = plannedBehaviours(planned);
  const { wishes } = planned.bundle.job;
  return contactsOn(planned).flatMap(({ device, contact, input }): Finding[] => {
    const subjects = [
      { kind: "device" as const, id: device.id },
      { kind: "input" as const, id: input.id },
      { kind: "terminal" as const, id: input.terminal },
    ];
    const values = { device: device.name, input: inputText(input) };
    const ignored =
      contact.duty === "stop" && input.ignored.includes("opening") && given["stop-ignored-opening"] === true;
    const off = input.off !== undefined && wishes[input.off.behaviour] === input.off.is;
    const sleeps = device.profile.supplies.some(({ lives }) => lives === "switched");
    const both = input.setBy.some((id) => given[id] === "both");
    return [
      ...(ignored ? [finding("stop-ignored-opening", subjects, values)] : []),
      ...(off ? [finding("input-wished-off", subjects, values)] : []),
      ...(contact.duty === "photocell" && sleeps && both
        ? [finding("battery-cell-both-ways", subjects, { device: device.name })]
        : []),
    ];
  });
}

/** Wishes that lead to nothing on this site: they are said, not dropped. */
function idleWishes(planned: Planned): Finding[] {
  const { board, job } = planned.bundle;
  const idle = (id: BehaviourId, reason: string): Finding[] => {
    const value = job.wishes[id];
    if (value === undefined || value === 0) return [];
    const wish = `${behaviour(id).label} ${behaviourText(id, value)}`;
    return [finding("wish-without-effect", about(id), { wish, reason })];
  };
  const delays =
    board.leaves > 1 && job.survey.leaves.length === 1
      ? (["leaf-delay-opening", "leaf-delay-closing"] as const).flatMap((id) =>
          idle(id, "There is one leaf: it waits for no other."),
        )
      : [];
  const used = new Set(contactsOn(planned).map(({ input }) => input.id));
  const empty = board.inputs.filter((input) => input.off && !input.link && !used.has(input.id));
  const counted = new Set(
    board.inputs.flatMap((input) => (input.off && used.has(input.id) ? [input.off.behaviour] : [])),
  );
  return [
    ...delays,
    ...empty.flatMap((input): Finding[] => {
      const { behaviour: id, is } = input.off!;
      if (counted.has(id) || job.wishes[id] === is) return [];
      return idle(id, `${inputText(input)} stays empty and is switched off.`);
    }),
  ];
}

/** Trap 43: keys that step through the menus and move the leaf outside of them, where values are to be set with them. */
function keyFindings({ bundle: { board }, controls }: Planned): Finding[] {
  if (!controls.controls.some(({ kind, change }) => kind === "values" && change)) return [];
  const movers = menuKeysThatMove(board);
  if (!movers.length) return [];
  return [
    finding(
      "keys-move-outside",
      movers.map(({ id }) => ({ kind: "key" as const, id })),
      {
        keys: listed(movers.map(({ label }) => label)),
        move: movers.length > 1 ? "move" : "moves",
        thing: movingThing(board),
      },
    ),
  ];
}

/** Against what the settings come to together. */
export const settingsFindings = (planned: Planned): Finding[] => [
  ...contradictions(planned),
  ...inputFindings(planned),
  ...idleWishes(planned),
  ...keyFindings(planned),
];
