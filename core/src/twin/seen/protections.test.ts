import { actWord } from "../../board/index.ts";
import {
  corpusTable,
  sampleSeconds,
  runsOf,
  type Recording,
  type Tripped,
} from "../../testing/corpus/index.ts";

const sum = (list: readonly number[]) => list.reduce((whole, each) => whole + each, 0);

/** Way of all edges together from closed, m, so many seconds after something was done. */
const edgesAt = ({ samples, marks }: Recording, mark: string, later = 0): number => {
  const at = marks[mark]! + later;
  return sum((samples.find((sample) => sample.at >= at - 1e-9) ?? samples.at(-1)!).edges);
};

/** What is seen of a leaf that is tripped under way, told by where it truly goes. */
function seenMoving(run: Recording, toward: "open" | "close"): string {
  const way = sum(run.ways);
  const quick = Math.abs(edgesAt(run, "trips") - edgesAt(run, "trips", -0.25));
  const slow = Math.abs(edgesAt(run, "trips", 0.5) - edgesAt(run, "trips", 0.25));
  const stands = edgesAt(run, "clears");
  const part = stands / way;
  const end = part > 0.97 ? "open" : part < 0.03 ? "close" : "between";
  if (end === toward) return slow < quick * 0.8 ? "slow" : "ignore";
  if (end !== "between") return "reverse";
  if (Math.abs(sum(run.samples.at(-1)!.edges) - stands) > 0.05 * way) return "stop-until-clear";
  const sign = toward === "open" ? 1 : -1;
  const tripped = run.samples.filter(
    ({ at }) => at >= run.marks.trips! && at <= run.marks.clears! + sampleSeconds,
  );
  const furthest = Math.max(...tripped.map(({ edges }) => sum(edges) * sign));
  return furthest - stands * sign > 0.02 ? "back-off" : "stop";
}

/** What is seen at rest, as a command is given while it is held tripped. */
const seenAtRest = (run: Recording): string =>
  Math.abs(sum(run.samples.at(-1)!.edges) - sum(run.samples[0]!.edges)) > 0.03 * sum(run.ways)
    ? "goes"
    : "refuse";

const sameAs: Partial<Record<string, string>> = { "stop-reverse": "reverse", hold: "refuse" };

/** What a profile says of it, in the words of what is seen. */
function saidOf({ row, moment }: Tripped): string | undefined {
  const act = row[moment] === undefined ? undefined : actWord(row[moment]);
  if (act === undefined) return undefined;
  const seen = sameAs[act] ?? act;
  if (moment === "opening" || moment === "closing") return seen;
  return seen === "refuse" ? seen : "goes";
}

let proved = 0;

test.each(corpusTable)(
  "%s: every protection in every state does what its profile says, judged by where the leaf goes",
  (_, of) => {
    for (const trip of runsOf(of).trips) {
      const { moment, recording } = trip;
      const said = saidOf(trip);
      if (said === undefined) continue;
      const seen =
        moment === "closed" || moment === "open"
          ? seenAtRest(recording)
          : seenMoving(recording, moment === "opening" ? "open" : "close");
      proved += 1;
      expect([recording.name, seen]).toEqual([recording.name, said]);
    }
  },
);

test("there were many of them", () => expect(proved).toBeGreaterThan(120));
