import type { BoardProfile } from "../schema/index.ts";
import { checkCondition, known, type Names, type Report, unique } from "../words/index.ts";

/** Lamps, the display, and the codes they tell. */
export function checkLamps(board: BoardProfile, names: Names, report: Report): void {
  const lamps = board.lamps.map((lamp) => lamp.id);
  unique(lamps, (at) => `lamps[${at}].id`, "a lamp id", report);
  board.lamps.forEach((lamp, l) =>
    lamp.shows.forEach((row, r) => {
      const path = `lamps[${l}].shows[${r}]`;
      checkCondition(row.when, `${path}.when`, names, report);
      if (row.other && !lamp.other)
        report(`${path}.other`, "a lamp of two colours", lamp.id, "Give the lamp its other colour.");
      if (row.flashes && row.is !== "blinking")
        report(`${path}.is`, "blinking, where flashes are counted", row.is, "A lamp that flashes blinks.");
    }),
  );
  board.display?.shows.forEach((row, r) => {
    const path = `display.shows[${r}]`;
    checkCondition(row.when, `${path}.when`, names, report);
    const { characters, lines, kind } = board.display!;
    const rows = row.text.split("|");
    const room = (text: string) => (kind === "segments" ? text.replace(/\./g, "") : text).length;
    if (rows.length > lines || rows.some((text) => room(text) > characters))
      report(
        `${path}.text`,
        `at most ${lines} lines of ${characters} characters`,
        row.text,
        "Write it as the display shows it, lines parted by |.",
      );
  });
  board.codes.forEach((code, c) => {
    known(code.lamp, lamps, `codes[${c}].lamp`, "lamp", report);
    if (!code.lamp && !board.display)
      report(`codes[${c}]`, "a lamp that flashes it", code.code, "The board has no display: name the lamp.");
    if (code.lamp && !/^[1-9]\d?$/.test(code.code))
      report(
        `codes[${c}].code`,
        "how many flashes the lamp gives, 1 to 99",
        code.code,
        "Count them, or leave the lamp out.",
      );
    if (code.other && !board.lamps.find(({ id }) => id === code.lamp)?.other)
      report(
        `codes[${c}].other`,
        "a lamp of two colours",
        code.lamp,
        "Give the lamp its other colour, or leave this out.",
      );
  });
  unique(
    board.codes.map((code) => `${code.code} ${code.lamp ?? ""}`),
    (at) => `codes[${at}].code`,
    "a code",
    report,
  );
}
