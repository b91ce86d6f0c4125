import { clockToFraction, isClock, sweepPassesNoon } from "../../quantity/index.ts";
import { behaviourIds, behaviourMisfit, type BehaviourId } from "../behaviour.ts";
import { selectorsOf } from "../lookup.ts";
import type { BoardProfile, Dial, SetsValue } from "../schema/index.ts";
import { settableBehaviours } from "../settable.ts";
import { controlIds } from "./names.ts";
import { checkCondition, checkGesture, known, type Names, type Report, unique } from "../words/index.ts";

/** Behaviours and values, each of which the behaviour can take. */
export function checkSets(sets: Record<string, SetsValue>, path: string, report: Report): void {
  for (const [id, value] of Object.entries(sets)) {
    if (!(behaviourIds as readonly string[]).includes(id)) {
      report(
        `${path}.${id}`,
        "a canonical behaviour, such as automatic-closing-time",
        id,
        "Use the canonical id of the behaviour; the reference lists them.",
      );
      continue;
    }
    for (const end of typeof value === "object" ? [value.from, value.to] : [value]) {
      const wanted = behaviourMisfit(id as BehaviourId, end);
      if (wanted) report(`${path}.${id}`, wanted, end, "Give a value the behaviour can take.");
    }
  }
}

function checkDial(dial: Dial, path: string, names: Names, report: Report): void {
  if (!sweepPassesNoon(dial.sweep)) {
    report(
      `${path}.sweep`,
      "a sweep that runs clockwise through 12 o'clock, such as 7:00 to 5:00",
      `${dial.sweep.from} to ${dial.sweep.to}`,
      "Its ends are swapped: exchange from and to.",
    );
  } else if (isClock(dial.delivered)) {
    try {
      clockToFraction(dial.delivered, dial.sweep);
    } catch {
      report(
        `${path}.delivered`,
        `a time from ${dial.sweep.from} to ${dial.sweep.to}`,
        dial.delivered,
        "Give a position within the sweep.",
      );
    }
  }
  if (dial.live) checkCondition(dial.live, `${path}.live`, names, report);
  let reached = 0;
  dial.zones.forEach((zone, z) => {
    if (zone.from !== reached || zone.to <= zone.from)
      report(
        `${path}.zones[${z}]`,
        `a zone that begins at ${reached} and ends after it`,
        `${zone.from} to ${zone.to}`,
        "Zones follow each other without gap or overlap.",
      );
    reached = zone.to;
    checkSets(zone.sets, `${path}.zones[${z}].sets`, report);
  });
  if (reached !== 1)
    report(`${path}.zones`, "zones up to 1, the end of the sweep", reached, "Extend the last zone.");
}

function checkSettings(board: BoardProfile, report: Report): void {
  const selectors = new Map(selectorsOf(board).map((each) => [each.id, each.positions]));
  board.settings.forEach((setting, s) => {
    const path = `settings[${s}]`;
    setting.of.forEach((id, at) =>
      known(id, [...selectors.keys()], `${path}.of[${at}]`, "switch, slide or jumper", report),
    );
    unique(
      setting.rows.map((row) => row.at.join()),
      (at) => `${path}.rows[${at}].at`,
      "positions",
      report,
    );
    setting.rows.forEach((row, r) => {
      if (row.at.length !== setting.of.length)
        report(
          `${path}.rows[${r}].at`,
          `${setting.of.length} positions, one a switch`,
          row.at,
          "Give one position for each switch.",
        );
      else
        row.at.forEach((position, at) => {
          const positions = selectors.get(setting.of[at] ?? "");
          if (positions && !positions.includes(position))
            report(
              `${path}.rows[${r}].at[${at}]`,
              `a position of ${setting.of[at]} (${positions.join(", ")})`,
              position,
              "Give a position the control can stand at.",
            );
        });
      checkSets(row.sets, `${path}.rows[${r}].sets`, report);
    });
  });
  // A switch may stand in one setting for each use and number of leaves.
  unique(
    board.settings.flatMap((s) => s.of.map((id) => `${id} ${s.use ?? ""} ${s.leaves ?? ""}`.trim())),
    (at) => `settings.of[${at}]`,
    "a switch",
    report,
  );
}

/** Dials, switches, slides, jumpers, and what they set. */
export function checkControls(board: BoardProfile, names: Names, report: Report): void {
  unique(
    board.dips.map((d) => d.id),
    (at) => `dips[${at}].id`,
    "a bank id",
    report,
  );
  unique(
    board.dials.map((d) => d.id),
    (at) => `dials[${at}].id`,
    "a dial id",
    report,
  );
  unique(
    [...new Set(board.dials.map((d) => d.id)), ...controlIds({ ...board, dials: [] })],
    () => "controls",
    "a control id",
    report,
  );
  board.slides.forEach((slide, s) => {
    if (!slide.positions.includes(slide.delivered))
      report(
        `slides[${s}].delivered`,
        `one of its positions (${slide.positions.join(", ")})`,
        slide.delivered,
        "Name the position a new board has.",
      );
    unique(slide.positions, (at) => `slides[${s}].positions[${at}]`, "a position", report);
  });
  board.jumpers.forEach((jumper, j) => {
    const positions = jumper.pins === 2 ? ["on", "parked"] : ["1-2", "2-3"];
    if (!positions.includes(jumper.delivered))
      report(
        `jumpers[${j}].delivered`,
        `one of ${positions.join(", ")} on ${jumper.pins} pins`,
        jumper.delivered,
        "Say how its shunt sits on a new board.",
      );
  });
  board.dials.forEach((dial, d) => checkDial(dial, `dials[${d}]`, names, report));
  checkSettings(board, report);
  unique(
    board.commits.map((c) => c.for),
    (at) => `commits[${at}].for`,
    "one commit gesture a kind of control",
    report,
  );
  board.commits.forEach((commit, c) => checkGesture(commit.by, `commits[${c}].by`, names, report));
}

/** Behaviours the board is said to have, and what it does by itself. */
export function checkBehaviours(board: BoardProfile, names: Names, report: Report): void {
  const settable = settableBehaviours(board);
  board.behaviours.forEach((id, at) => {
    if (!names.behaviours.has(id))
      report(
        `behaviours[${at}]`,
        "a behaviour with a control",
        id,
        "Tie it to the switch, dial or menu entry that sets it, or state it under fixed.",
      );
  });
  for (const [id, value] of Object.entries(board.fixed)) {
    if (value === undefined) continue;
    const wanted = behaviourMisfit(id as BehaviourId, value);
    if (wanted) report(`fixed.${id}`, wanted, value, "Give a value the behaviour can take.");
    if (settable.has(id))
      report(`fixed.${id}`, "a behaviour that no control sets", id, "Remove it here, or from the control.");
  }
}
