import { terminalOf, type BoardProfile } from "../board/index.ts";
import { parseWith, ProblemsError, shown, type Problem } from "../finding/index.ts";
import { terminalIn } from "../node/index.ts";
import { upgradeEntry } from "./migrate.ts";
import { logEntrySchema, type LogEntry } from "./schema.ts";
import { checkStands, withEveryCard, type Report } from "./stands.ts";

/**
 * Looks at the entries of a log one after the other, so that a long one need never be held as a whole: each call takes
 * the next and tells what in it does not fit the board. What happened before the job took another revision of its
 * board, at the places before `taken`, is history, and is not held against this one.
 */
function logChecker(board: BoardProfile, file: string, taken = -1): (entry: LogEntry) => Problem[] {
  const full = withEveryCard(board);
  const seen = new Set<string>();
  let next = 0;
  return (entry) => {
    const at = next++;
    const problems: Problem[] = [];
    const report: Report = (path, expected, found, remedy) =>
      problems.push({ file, path, expected, found: shown(found), remedy });
    if (seen.has(entry.id))
      report(`log[${at}].id`, "an id of its own", entry.id, "Remove the repeated entry.");
    seen.add(entry.id);
    if (at < taken) return problems;
    if (entry.kind === "wired")
      entry.moves.forEach(({ to }, m) => {
        const terminal = terminalIn(to);
        if (terminal !== undefined && !terminalOf(full, terminal))
          report(
            `log[${at}].moves[${m}].to`,
            "a terminal of the board",
            terminal,
            "Pick a terminal that is there.",
          );
      });
    if (entry.kind === "settings") {
      const { links = {}, switches = {}, dials = {}, values = {} } = entry;
      checkStands(full, { links: Object.keys(links), switches, dials, values }, `log[${at}]`, report);
    }
    if (entry.kind === "begun" && !full.procedures.some(({ id }) => id === entry.procedure))
      report(
        `log[${at}].procedure`,
        `a procedure of the board (${full.procedures.map(({ id }) => id).join(", ")})`,
        entry.procedure,
        "Pick one that is there.",
      );
    if (entry.kind !== "step") return problems;
    entry.effects.forEach((effect, e) => {
      const path = `log[${at}].effects[${e}]`;
      if (effect.kind === "link") checkStands(full, { links: [effect.id] }, path, report);
      if (effect.kind === "switches") checkStands(full, { switches: effect.to }, path, report);
      if (effect.kind === "values") checkStands(full, { values: effect.to }, path, report);
      if (effect.kind === "dials") checkStands(full, { dials: effect.to }, path, report);
    });
    return problems;
  };
}

/** What in log entries does not fit the board, as `logChecker` tells it. Empty when everything does. */
export function checkLog(log: readonly LogEntry[], board: BoardProfile, file: string): Problem[] {
  const taken = log.findLastIndex((entry) => entry.kind === "board-taken");
  return log.flatMap(logChecker(board, file, taken));
}

/**
 * Reads the entries of a log one after the other, from whatever day each is. Each call takes the next as it was parsed.
 * Throws ProblemsError with its place in the log.
 */
export function logReader(board: BoardProfile, file: string, taken = -1): (data: unknown) => LogEntry {
  const check = logChecker(board, file, taken);
  let next = 0;
  return (data) => {
    const at = next++;
    let entry: LogEntry;
    try {
      entry = parseWith(logEntrySchema, upgradeEntry(data), file);
    } catch (error) {
      if (!(error instanceof ProblemsError)) throw error;
      throw within(error, `log[${at}]`);
    }
    const problems = check(entry);
    if (problems.length) throw new ProblemsError(problems);
    return entry;
  };
}

/** Problems of a part of a document, told with the place of that part. */
export function within({ problems }: ProblemsError, place: string): ProblemsError {
  return new ProblemsError(
    problems.map((each) => ({
      ...each,
      path: each.path === "document" ? place : `${place}.${each.path}`,
    })),
  );
}
