import { bothLeaves, checkGesture, namesOf, type Gesture } from "../board/index.ts";
import { shown, type Problem } from "../finding/index.ts";
import { boardOnSite, profileOf, type JobBundle } from "../job/index.ts";
import { onlyOf, type Run, type TwinFault } from "../twin/index.ts";

/** A gesture that lets time pass even on a live bench. */
const takesTime = (made: Gesture): boolean =>
  "wait" in made ||
  "watch" in made ||
  "choose" in made ||
  ("place" in made && made.place.by === "held-key") ||
  ("command" in made && made.command === "full cycle");

/** What a fault names, whatever its kind. */
interface Named {
  kind: TwinFault["kind"];
  device?: string;
  pin?: string;
  contact?: string;
  terminal?: string;
  link?: string;
  leaf?: "first" | "second";
}

/** Tells of every name that a run or a sweep gives and the job has not: on it nothing would be done, and nothing said. */
export function namesIn(bundle: JobBundle, file: string) {
  const { job, devices } = bundle;
  const board = boardOnSite(job, bundle.board);
  const names = namesOf(board);
  const problems: Problem[] = [];
  const report = (path: string, expected: string, found: unknown, remedy: string) =>
    problems.push({ file, path, expected, found: shown(found), remedy });
  const one = (list: readonly string[], id: string, path: string, what: string): boolean => {
    if (!list.includes(id))
      report(path, `${what} (${list.join(", ") || "there is none"})`, id, "Correct it.");
    return list.includes(id);
  };

  const device = ({ kind, device: of, pin, contact }: Named, path: string): void => {
    const ids = job.devices.map(({ id }) => id);
    if (of === undefined || !one(ids, of, `${path}.device`, "a device of the job")) return;
    const profile = profileOf(devices, job.devices.find(({ id }) => id === of)!.device)!;
    const pins = profile.pins.map(({ id }) => id);
    const contacts = profile.contacts.map(({ id }) => id);
    if (pin !== undefined) one(pins, pin, `${path}.pin`, `a pin of ${of}`);
    if (contact !== undefined) one(contacts, contact, `${path}.contact`, `a contact of ${of}`);
    const kinds: readonly string[] | undefined =
      kind in onlyOf ? onlyOf[kind as keyof typeof onlyOf] : undefined;
    if (kinds && !kinds.includes(profile.kind))
      report(
        `${path}.device`,
        `a device of the kind ${kinds.join(" or ")}`,
        of,
        "Name one that can have it.",
      );
  };

  const fault = (said: Named, path: string): void => {
    const { terminal, link, leaf } = said;
    device(said, path);
    if (terminal !== undefined) one(names.terminals, terminal, `${path}.terminal`, "a terminal of the board");
    if (link !== undefined)
      one(
        board.links.map(({ id }) => id),
        link,
        `${path}.link`,
        "a link of the board",
      );
    if (leaf !== undefined)
      one(bothLeaves.slice(0, job.survey.leaves.length), leaf, `${path}.leaf`, "a leaf of the job");
  };

  const faults = (said: readonly TwinFault[], path: string): void =>
    said.forEach((each, at) => fault(each, `${path}[${at}]`));

  const script = ({ script, live }: Run): void =>
    script.forEach(({ do: gesture, key, works, damages, faults: wrong }, at) => {
      const path = `run.script[${at}]`;
      if (gesture) checkGesture(gesture, `${path}.do`, names, report);
      if (gesture && live && takesTime(gesture))
        report(
          `${path}.do`,
          "a gesture that takes no time, in a live run",
          gesture,
          "Give the next one its time.",
        );
      if (key) one(names.keys, key.key, `${path}.key.key`, "a key of the board");
      if (works) one(names.inputs, works.input, `${path}.works.input`, "an input of the board");
      if (damages !== undefined) one(names.memories, damages, `${path}.damages`, "a memory of the board");
      if (wrong) faults(wrong, `${path}.faults`);
    });

  return { problems, script, faults };
}
