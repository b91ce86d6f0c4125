import { sweepPassesNoon } from "../quantity/index.ts";
import { behaviourIds, behaviourMisfit, type BehaviourId } from "./behaviour.ts";
import { switchIds } from "./lookup.ts";
import { known, unique, type Report } from "./report.ts";
import type { BoardProfile, SetsValue } from "./schema.ts";

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

/** Dials, switches and what they set. */
export function checkControls(board: BoardProfile, report: Report): void {
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
