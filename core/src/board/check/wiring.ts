import type { BoardInput, BoardProfile } from "../schema/index.ts";
import { canSet, wordsSet } from "../settable.ts";
import { checkCondition, known, refusedAtRest, type Names, type Report, unique } from "../words/index.ts";

/** Blocks, terminals, and everything that names a terminal. */
export function checkTerminals(board: BoardProfile, names: Names, report: Report): void {
  unique(
    board.blocks.map((b) => b.id),
    (at) => `blocks[${at}].id`,
    "a block id",
    report,
  );
  const terminal = (id: string | undefined, path: string) =>
    known(id, names.terminals, path, "terminal", report);
  const all = (ids: readonly string[], path: string) =>
    ids.forEach((id, at) => terminal(id, `${path}[${at}]`));
  board.blocks.forEach((block, b) =>
    unique(
      block.terminals.map((t) => String(t.number)),
      (at) => `blocks[${b}].terminals[${at}].number`,
      "a terminal number",
      report,
    ),
  );
  board.commons.forEach((common, c) => all(common.terminals, `commons[${c}].terminals`));
  board.inputs.forEach((input, at) => terminal(input.terminal, `inputs[${at}].terminal`));
  board.outputs.forEach((output, at) => all(output.terminals, `outputs[${at}].terminals`));
  board.rails.forEach((rail, r) => {
    all(rail.plus, `rails[${r}].plus`);
    for (const pole of ["minus", "third"] as const)
      (rail[pole] ?? []).forEach((id, at) => {
        terminal(id, `rails[${r}].${pole}[${at}]`);
        if (rail.plus.includes(id))
          report(
            `rails[${r}].${pole}[${at}]`,
            "a terminal of the other pole",
            id,
            "A terminal cannot be both poles of one rail.",
          );
      });
  });
  board.links.forEach((link, l) => {
    all(link.between, `links[${l}].between`);
    if (link.between[0] === link.between[1])
      report(`links[${l}].between`, "two different terminals", link.between, "A link joins two terminals.");
  });
}

const wanted: Record<BoardProfile["supply"]["kind"], readonly (keyof BoardProfile["supply"]["poles"])[]> = {
  mains: ["live", "neutral"],
  "three-phase": ["l1", "l2", "l3"],
  transformer: ["a", "b"],
  dc: ["plus", "minus"],
  solar: ["plus", "minus"],
};

/** The supply, the battery and the solar panel. */
export function checkSupply(board: BoardProfile, names: Names, report: Report): void {
  const { supply, battery, solar } = board;
  for (const [pole, id] of Object.entries(supply.poles))
    known(id, names.terminals, `supply.poles.${pole}`, "terminal", report);
  for (const pole of wanted[supply.kind])
    if (supply.poles[pole] === undefined)
      report(
        `supply.poles.${pole}`,
        "a terminal",
        undefined,
        `Say where a ${supply.kind} supply's ${pole} goes.`,
      );
  const settable = [...names.controls.keys(), ...board.links.map((link) => link.id)];
  known(supply.selector, settable, "supply.selector", "link, jumper or switch", report);
  if (supply.volts.length > 1 && !supply.selector && !supply.recognised)
    report(
      "supply",
      "a selector, or recognised: true",
      supply.volts,
      "Say how the board is set for one of its voltages.",
    );
  for (const [key, feed] of [
    ["battery", battery],
    ["solar", solar],
  ] as const) {
    known(feed?.plus, names.terminals, `${key}.plus`, "terminal", report);
    known(feed?.minus, names.terminals, `${key}.minus`, "terminal", report);
  }
  const shared = solar && Object.values(supply.poles).includes(solar.plus);
  if (shared && ![solar.volts].flat().every((volts) => supply.volts.includes(volts)))
    report(
      "solar.volts",
      `volts of the supply on the same terminals (${supply.volts.join(", ")})`,
      solar.volts,
      "Say the same of the terminals in both places.",
    );
  known(
    solar?.isolatedBy,
    board.jumpers.map(({ id }) => id),
    "solar.isolatedBy",
    "jumper",
    report,
  );
}

/** True where a setting has the input take a plain contact in place of an end resistor. */
const isPlainSettable = (board: BoardProfile, { setBy }: BoardInput) =>
  setBy.includes("edge-sensing") && canSet(board, "edge-sensing", "contact");

function checkInput(
  board: BoardProfile,
  input: BoardInput,
  path: string,
  names: Names,
  report: Report,
): void {
  known(
    input.common,
    board.commons.map((c) => c.id),
    `${path}.common`,
    "common",
    report,
  );
  known(
    input.link,
    board.links.map((l) => l.id),
    `${path}.link`,
    "link",
    report,
  );
  known(input.test, names.feeds, `${path}.test`, "rail or output", report);
  known(input.wake, names.feeds, `${path}.wake`, "rail or output", report);
  const link = board.links.find((l) => l.id === input.link);
  const common = board.commons.find((c) => c.id === input.common)?.terminals ?? [];
  if (link && common.length) {
    const [a, b] = link.between;
    const bridges =
      (a === input.terminal && common.includes(b)) || (b === input.terminal && common.includes(a));
    if (!bridges)
      report(
        `${path}.link`,
        `a link from ${input.terminal} to ${common.join(" or ")}`,
        `${a}–${b}`,
        "Name the link that bridges this input, or correct its terminals.",
      );
  }
  if (common.includes(input.terminal))
    report(
      `${path}.terminal`,
      "a terminal outside its own common",
      input.terminal,
      "Correct one of the two.",
    );
  if (input.contact === "open" && input.link)
    report(
      `${path}.link`,
      "no link on an input whose contact rests open",
      input.link,
      "Remove the link, or set contact: closed.",
    );
  if (input.contact === "closed" && input.guards.length && !input.link && !input.off)
    report(
      path,
      "a link, or a setting that switches it off",
      input.id,
      "Say how the board is satisfied while nothing is wired here: link or off.",
    );
  // What a short bridges never shows the end resistor it looks for: it reads pressed, and nothing moves.
  if (input.link && input.ohms !== undefined && !isPlainSettable(board, input))
    report(
      `${path}.link`,
      "no link on an input that looks for an end resistor",
      input.link,
      "Say by which setting it is switched off, or that it can be set for a plain contact.",
    );
  const sharer = board.inputs.find(
    (other) => other.id !== input.id && other.off && other.off.behaviour === input.off?.behaviour,
  );
  if (sharer && input.contact === "closed" && !input.link)
    report(
      `${path}.link`,
      "a link, for the setting that switches it off is shared",
      undefined,
      `${input.off!.behaviour} switches ${sharer.id} as well: with that in use, only a link keeps ${input.id} quiet.`,
    );
  if (input.guards.length && !input.reactions.length)
    report(
      `${path}.reactions`,
      "what the leaf does when it trips",
      undefined,
      "Add a row that says it for closed, opening, open and closing.",
    );
  if ((input.senses === "resistor") !== (input.ohms !== undefined))
    report(
      `${path}.ohms`,
      input.ohms === undefined ? "the end resistor, ohms" : "no resistor on a plain contact",
      input.ohms,
      "An input that senses a resistor says how many ohms, and no other does.",
    );
  for (const id of [...input.setBy, ...(input.off ? [input.off.behaviour] : [])])
    if (!names.behaviours.has(id))
      report(
        `${path}.${input.setBy.includes(id) ? "setBy" : "off.behaviour"}`,
        "a behaviour that a control of this board sets",
        id,
        "Tie it to the control that sets it, or correct the id.",
      );
  if (input.chosenBy) {
    const { behaviour, rows } = input.chosenBy;
    const words = wordsSet(board, behaviour);
    rows.forEach(({ is, takes }, r) => {
      if (!words.includes(is))
        report(
          `${path}.chosenBy.rows[${r}].is`,
          `a word that a control of this board sets for ${behaviour} (${words.join(", ")})`,
          is,
          "Tie it to the control that sets it, or correct the word.",
        );
      for (const duty of takes)
        if (!input.takes.includes(duty))
          report(
            `${path}.chosenBy.rows[${r}].takes`,
            "what the input takes",
            duty,
            "Add it to takes, or remove it here.",
          );
    });
  }
  input.reactions.forEach((row, r) => {
    checkCondition(row.when, `${path}.reactions[${r}].when`, names, report);
    // A stop that is ignored while opening refuses the command all the same.
    if (input.takes.includes("stop")) return;
    for (const { moment, expected } of refusedAtRest(row))
      report(
        `${path}.reactions[${r}].${moment}`,
        expected,
        row[moment],
        "Say that the command is obeyed, or what happens to the movement.",
      );
  });
}

/** Inputs with their commons and links, and outputs. */
export function checkInputs(board: BoardProfile, names: Names, report: Report): void {
  const each = (ids: readonly string[], list: string, what: string, key = "id") =>
    unique(ids, (at) => `${list}[${at}].${key}`, what, report);
  each(names.inputs, "inputs", "an input id");
  each(
    board.inputs.map((i) => i.terminal),
    "inputs",
    "a terminal",
    "terminal",
  );
  each(
    board.links.map((l) => l.id),
    "links",
    "a link id",
  );
  each(
    board.commons.map((c) => c.id),
    "commons",
    "a common id",
  );
  each(
    board.outputs.map((o) => o.id),
    "outputs",
    "an output id",
  );
  board.inputs.forEach((input, i) => checkInput(board, input, `inputs[${i}]`, names, report));
  board.outputs.forEach((output, o) => {
    if (output.task && output.setBy)
      report(
        `outputs[${o}]`,
        "a fixed task, or a behaviour that chooses it",
        output,
        "Keep task or setBy, not both.",
      );
    if (output.kind === "relay" && output.terminals.length < 2)
      report(
        `outputs[${o}].terminals`,
        "a relay's common and the contact that works, and the one that rests where it has one",
        output.terminals,
        "Name them in that order.",
      );
    if (output.setBy && !names.behaviours.has(output.setBy))
      report(
        `outputs[${o}].setBy`,
        "a behaviour that a control of this board sets",
        output.setBy,
        "Tie it to the control that sets it, or correct the id.",
      );
  });
}

/** Rails and budgets. */
export function checkRails(board: BoardProfile, report: Report): void {
  const budgets = board.budgets.map((b) => b.id);
  unique(
    board.rails.map((r) => r.id),
    (at) => `rails[${at}].id`,
    "a rail id",
    report,
  );
  unique(budgets, (at) => `budgets[${at}].id`, "a budget id", report);
  board.rails.forEach((rail, r) => {
    known(rail.budget, budgets, `rails[${r}].budget`, "budget", report);
    if (rail.budget && rail.limitMilliamps)
      report(
        `rails[${r}].limitMilliamps`,
        "one limit",
        "a budget and a limit of its own",
        "Keep the budget or the limit, not both.",
      );
    const drives = rail.feeds.some((duty) => duty.startsWith("drive"));
    if (!rail.budget && !rail.limitMilliamps && !drives)
      report(
        `rails[${r}]`,
        "a limit of its own, or a budget",
        undefined,
        "Say how many milliamps it carries: limitMilliamps, or the budget it shares.",
      );
  });
}
