import { shown, type Problem } from "../finding/index.ts";
import { sweepPassesNoon } from "../quantity/index.ts";
import { behaviourIds, behaviourMisfit, type BehaviourId } from "./behaviour.ts";
import { switchIds, terminalsOf } from "./lookup.ts";
import type { BoardProfile, Condition, SetsValue } from "./schema.ts";

type Report = (path: string, expected: string, found: unknown, remedy: string) => void;

function unique(ids: readonly string[], path: (at: number) => string, what: string, report: Report): void {
  ids.forEach((id, at) => {
    const first = ids.indexOf(id);
    if (first !== at)
      report(path(at), `${what} of its own`, id, `Rename it: ${path(first)} has this id already.`);
  });
}

function known(
  id: string | undefined,
  ids: readonly string[],
  path: string,
  what: string,
  report: Report,
): void {
  if (id !== undefined && !ids.includes(id))
    report(
      path,
      `${what} of this board (${ids.slice(0, 24).join(", ") || "there is none"})`,
      id,
      `Correct the id, or add the ${what}.`,
    );
}

function checkTerminals(board: BoardProfile, report: Report): void {
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

function checkInputs(board: BoardProfile, report: Report): void {
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

function checkRails(board: BoardProfile, report: Report): void {
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

function checkSets(sets: Record<string, SetsValue>, path: string, report: Report): void {
  for (const [id, value] of Object.entries(sets)) {
    if (!(behaviourIds as readonly string[]).includes(id)) {
      report(
        `${path}.${id}`,
        `a behaviour (${behaviourIds.join(", ")})`,
        id,
        "Use the canonical id of the behaviour.",
      );
      continue;
    }
    for (const end of typeof value === "object" ? [value.from, value.to] : [value]) {
      const wanted = behaviourMisfit(id as BehaviourId, end);
      if (wanted) report(`${path}.${id}`, wanted, end, "Give a value the behaviour can take.");
    }
  }
}

function checkControls(board: BoardProfile, report: Report): void {
  unique(
    board.dials.map((d) => d.id),
    (at) => `dials[${at}].id`,
    "a dial id",
    report,
  );
  unique(
    board.dips.map((d) => d.id),
    (at) => `dips[${at}].id`,
    "a bank id",
    report,
  );
  board.dials.forEach((dial, d) => {
    if (!sweepPassesNoon(dial.sweep))
      report(
        `dials[${d}].sweep`,
        "a sweep that runs clockwise through 12 o'clock, such as 7:00 to 5:00",
        `${dial.sweep.from} to ${dial.sweep.to}`,
        "Its ends are swapped: exchange from and to.",
      );
    let reached = 0;
    dial.zones.forEach((zone, z) => {
      if (zone.from !== reached || zone.to <= zone.from)
        report(
          `dials[${d}].zones[${z}]`,
          `a zone that begins at ${reached} and ends after it`,
          `${zone.from} to ${zone.to}`,
          "Zones follow each other without gap or overlap.",
        );
      reached = zone.to;
      checkSets(zone.sets, `dials[${d}].zones[${z}].sets`, report);
    });
    if (reached !== 1)
      report(`dials[${d}].zones`, "zones up to 1, the end of the sweep", reached, "Extend the last zone.");
  });
  const switches = switchIds(board);
  board.settings.forEach((setting, s) => {
    setting.switches.forEach((id, at) =>
      known(id, switches, `settings[${s}].switches[${at}]`, "switch", report),
    );
    unique(
      setting.rows.map((row) => row.at.join()),
      (at) => `settings[${s}].rows[${at}].at`,
      "positions",
      report,
    );
    setting.rows.forEach((row, r) => {
      if (row.at.length !== setting.switches.length)
        report(
          `settings[${s}].rows[${r}].at`,
          `${setting.switches.length} positions, one a switch`,
          row.at,
          "Give one position for each switch.",
        );
      checkSets(row.sets, `settings[${s}].rows[${r}].sets`, report);
    });
  });
  unique(
    board.settings.flatMap((s) => s.switches),
    (at) => `settings.switches[${at}]`,
    "a switch",
    report,
  );
}

function checkPanel(board: BoardProfile, report: Report): void {
  const keys = board.keys.map((key) => key.id);
  const inputs = board.inputs.map((input) => input.id);
  unique(keys, (at) => `keys[${at}].id`, "a key id", report);
  unique(
    board.lamps.map((l) => l.id),
    (at) => `lamps[${at}].id`,
    "a lamp id",
    report,
  );
  unique(
    board.procedures.map((p) => p.id),
    (at) => `procedures[${at}].id`,
    "a procedure id",
    report,
  );
  unique(
    board.commits.map((c) => c.for),
    (at) => `commits[${at}].for`,
    "one commit gesture a kind of control",
    report,
  );
  board.commits.forEach((commit, c) => known(commit.hold.key, keys, `commits[${c}].hold.key`, "key", report));

  const modes = board.procedures.flatMap((p) => p.steps.map((s) => s.effects.mode));
  const learnable = board.procedures.flatMap((p) => p.steps.map((s) => s.effects.learn));
  const condition = (when: Condition, path: string) => {
    known(when.closed, inputs, `${path}.closed`, "input", report);
    known(when.open, inputs, `${path}.open`, "input", report);
    for (const key of ["learned", "unlearned"] as const)
      if (when[key] !== undefined && !learnable.includes(when[key]))
        report(
          `${path}.${key}`,
          "something a procedure of this board learns",
          when[key],
          "Add the effect to the procedure that learns it, or correct the word.",
        );
    if (when.mode !== undefined && !modes.includes(when.mode))
      report(
        `${path}.mode`,
        "a mode a procedure of this board enters",
        when.mode,
        "Add the effect to the step that enters it, or correct the word.",
      );
  };
  board.lamps.forEach((lamp, l) =>
    lamp.shows.forEach((row, r) => condition(row.when, `lamps[${l}].shows[${r}].when`)),
  );
  board.procedures.forEach((procedure, p) => {
    procedure.needs.forEach((need, n) => condition(need, `procedures[${p}].needs[${n}]`));
    unique(
      procedure.steps.map((s) => s.id),
      (at) => `procedures[${p}].steps[${at}].id`,
      "a step id",
      report,
    );
    procedure.steps.forEach((step, s) => {
      const path = `procedures[${p}].steps[${s}]`;
      if ("hold" in step.do) known(step.do.hold.key, keys, `${path}.do.hold.key`, "key", report);
      if ("press" in step.do) known(step.do.press.key, keys, `${path}.do.press.key`, "key", report);
      known(
        step.effects.commit,
        board.commits.map((c) => c.id),
        `${path}.effects.commit`,
        "commit gesture",
        report,
      );
    });
  });
}

/** What in a profile contradicts itself, beyond its schema: each with its place and remedy. Empty when nothing does. */
export function checkBoard(board: BoardProfile, file: string): Problem[] {
  const problems: Problem[] = [];
  const report: Report = (path, expected, found, remedy) =>
    problems.push({ file, path, expected, found: shown(found), remedy });
  checkTerminals(board, report);
  checkInputs(board, report);
  checkRails(board, report);
  checkControls(board, report);
  checkPanel(board, report);
  return problems;
}
