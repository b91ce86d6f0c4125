import { terminalsOf } from "./lookup.ts";
import { known, unique, type Report } from "./report.ts";
import type { BoardProfile } from "./schema.ts";

/** Blocks, terminals, and everything that names a terminal. */
export function checkTerminals(board: BoardProfile, report: Report): void {
  unique(
    board.blocks.map((b) => b.id),
    (at) => `blocks[${at}].id`,
    "a block id",
    report,
  );
  const all = terminalsOf(board).map((terminal) => terminal.id);
  const terminal = (id: string | undefined, path: string) => known(id, all, path, "terminal", report);
  board.blocks.forEach((block, b) =>
    unique(
      block.terminals.map((t) => String(t.number)),
      (at) => `blocks[${b}].terminals[${at}].number`,
      "a terminal number",
      report,
    ),
  );
  for (const key of ["live", "neutral", "earth"] as const) terminal(board.inlet[key], `inlet.${key}`);
  board.commons.forEach((common, c) =>
    common.terminals.forEach((id, at) => terminal(id, `commons[${c}].terminals[${at}]`)),
  );
  board.inputs.forEach((input, at) => terminal(input.terminal, `inputs[${at}].terminal`));
  board.rails.forEach((rail, r) => {
    rail.plus.forEach((id, at) => terminal(id, `rails[${r}].plus[${at}]`));
    rail.minus.forEach((id, at) => {
      terminal(id, `rails[${r}].minus[${at}]`);
      if (rail.plus.includes(id))
        report(
          `rails[${r}].minus[${at}]`,
          "a terminal of the other pole",
          id,
          "A terminal cannot be both poles of one rail.",
        );
    });
  });
  board.links.forEach((link, l) => {
    link.between.forEach((id, at) => terminal(id, `links[${l}].between[${at}]`));
    if (link.between[0] === link.between[1])
      report(`links[${l}].between`, "two different terminals", link.between, "A link joins two terminals.");
  });
}

/** Inputs with their commons and links. */
export function checkInputs(board: BoardProfile, report: Report): void {
  unique(
    board.inputs.map((i) => i.id),
    (at) => `inputs[${at}].id`,
    "an input id",
    report,
  );
  unique(
    board.inputs.map((i) => i.terminal),
    (at) => `inputs[${at}].terminal`,
    "a terminal",
    report,
  );
  unique(
    board.links.map((l) => l.id),
    (at) => `links[${at}].id`,
    "a link id",
    report,
  );
  unique(
    board.commons.map((c) => c.id),
    (at) => `commons[${at}].id`,
    "a common id",
    report,
  );
  board.inputs.forEach((input, i) => {
    known(
      input.common,
      board.commons.map((c) => c.id),
      `inputs[${i}].common`,
      "common",
      report,
    );
    known(
      input.link,
      board.links.map((l) => l.id),
      `inputs[${i}].link`,
      "link",
      report,
    );
    const link = board.links.find((l) => l.id === input.link);
    const common = board.commons.find((c) => c.id === input.common)?.terminals ?? [];
    if (link && common.length) {
      const [a, b] = link.between;
      const bridges =
        (a === input.terminal && common.includes(b)) || (b === input.terminal && common.includes(a));
      if (!bridges)
        report(
          `inputs[${i}].link`,
          `a link from ${input.terminal} to ${common.join(" or ")}`,
          `${a}–${b}`,
          "Name the link that bridges this input, or correct its terminals.",
        );
    }
    if (input.contact === "open" && input.link)
      report(
        `inputs[${i}].link`,
        "no link on an input whose contact rests open",
        input.link,
        "Remove the link, or set contact: closed.",
      );
  });
}

/** Rails and budgets. */
export function checkRails(board: BoardProfile, report: Report): void {
  unique(
    board.rails.map((r) => r.id),
    (at) => `rails[${at}].id`,
    "a rail id",
    report,
  );
  unique(
    board.budgets.map((b) => b.id),
    (at) => `budgets[${at}].id`,
    "a budget id",
    report,
  );
  board.rails.forEach((rail, r) => {
    known(
      rail.budget,
      board.budgets.map((b) => b.id),
      `rails[${r}].budget`,
      "budget",
      report,
    );
    if (rail.budget && rail.limitMilliamps)
      report(
        `rails[${r}].limitMilliamps`,
        "one limit",
        "a budget and a limit of its own",
        "Keep the budget or the limit, not both.",
      );
  });
}
