import {
  corpusTable,
  sampleSeconds,
  recordingsOf,
  runsOf,
  type Sample,
  type Recording,
} from "../../testing/corpus/index.ts";
import { binds } from "../plant/index.ts";

/**
 * What holds of every leaf that a board moves, whatever happens to it: said of where the leaves are and what reaches their
 * drives, looked at from outside.
 */

/** The samples from a moment on. */
const since = ({ samples, marks }: Recording, mark: string, later = 0): Sample[] =>
  samples.filter(({ at }) => at >= marks[mark]! + later - 1e-9);

/** How far the edge of a leaf comes between samples, m. */
const wayOver = (samples: readonly Sample[], leaf: number): number => {
  const edges = samples.map(({ edges: all }) => all[leaf]!);
  return edges.length ? Math.max(...edges) - Math.min(...edges) : 0;
};

const partsOf = ({ ways, samples }: Recording, at = samples.length - 1): number[] =>
  ways.map((way, leaf) => samples[at]!.edges[leaf]! / way);

const kindsOf = ({ events }: Recording) => events.map(({ kind }) => kind);

describe.each(corpusTable)("%s", (_, of) => {
  test("no leaf is ever beyond its stops", () => {
    for (const { name, samples, ways } of recordingsOf(runsOf(of)))
      ways.forEach((way, leaf) => {
        const parts = samples.map(({ edges }) => edges[leaf]! / way);
        expect([name, Math.min(...parts) > -0.02, Math.max(...parts) < 1.02]).toEqual([name, true, true]);
      });
  });

  test("a leaf goes where the board has it go, or stands; a second and a half later, not back", () => {
    for (const { name, samples } of recordingsOf(runsOf(of)))
      for (let at = 30; at < samples.length; at += 1) {
        const { toward } = samples[at]!;
        if (!toward || samples.slice(at - 30, at).some((sample) => sample.toward !== toward)) continue;
        samples[at]!.edges.forEach((edge, leaf) => {
          const came = (edge - samples[at - 1]!.edges[leaf]!) * (toward === "open" ? 1 : -1);
          // What it runs into gives a little way, and takes it back.
          if (came < -0.01)
            throw new Error(`${name}: at ${samples[at]!.at} s leaf ${leaf + 1} goes back ${came} m`);
        });
      }
  });

  test("nothing is put on a drive while the board has its leaves stand, and they stand soon after", () => {
    for (const { name, samples } of recordingsOf(runsOf(of)))
      for (let at = 40; at < samples.length; at += 1) {
        const stands = samples.slice(at - 40, at + 1).every(({ toward }) => toward === undefined);
        if (!stands) continue;
        const { volts, edges } = samples[at]!;
        expect([name, volts.every((each) => each === 0)]).toEqual([name, true]);
        const came = edges.map((edge, leaf) => Math.abs(edge - samples[at - 1]!.edges[leaf]!));
        if (came.some((each) => each > 0.002))
          throw new Error(
            `${name}: at ${samples[at]!.at} s a leaf comes ${Math.max(...came)} m while it should stand`,
          );
      }
  });

  test("a mode is told once as it begins, and a leaf that sets off or stands once for each time it does", () => {
    for (const { name, events } of recordingsOf(runsOf(of))) {
      const modes = events.flatMap((event) => (event.kind === "mode" ? [event.mode] : []));
      expect([name, modes.filter((mode, n) => mode === modes[n - 1])]).toEqual([name, []]);
      const stops = events.filter(({ kind }) => kind === "stops" || kind === "moves");
      const twice = stops.filter(({ kind }, n) => kind === "stops" && stops[n - 1]?.kind === "stops");
      expect([name, twice]).toEqual([name, []]);
    }
  });

  test("it opens to its end, closes again, and meets nothing on the way", () => {
    const { cycle } = runsOf(of);
    const opened = cycle.samples.findIndex(({ at }) => at >= cycle.marks.close!);
    for (const part of partsOf(cycle, opened)) expect(part).toBeGreaterThan(0.98);
    for (const part of partsOf(cycle)) expect(part).toBeLessThan(0.02);
    expect(kindsOf(cycle)).not.toContain("obstructed");
  });

  test("of two leaves the overlapping one leads on opening and comes last on closing, and they never bind", () => {
    const { cycle } = runsOf(of);
    expect(cycle.ways).toHaveLength(of.leaves);
    if (of.leaves < 2) return;
    const { overlap } = cycle;
    if (overlap)
      expect(cycle.samples.filter(({ edges: [over, under] }) => binds(overlap, over!, under!))).toEqual([]);
    const apart = cycle.samples.find(({ edges }) => edges[1]! > 0.05)!;
    expect(apart.edges[0]).toBeGreaterThan(apart.edges[1]!);
    const closing = since(cycle, "close");
    const shut = (leaf: number) => closing.findIndex(({ edges }) => edges[leaf]! < 0.02);
    expect(shut(0)).toBeGreaterThan(shut(1));
  });

  test("what it meets before its end is no end: it is told, and closing turns back open", () => {
    const { halfWay, beforeOpen, beforeClosed } = runsOf(of).met;
    for (const met of [halfWay, beforeOpen, beforeClosed])
      expect([met.name, kindsOf(met)]).toEqual([met.name, expect.arrayContaining(["obstructed"])]);
    for (const met of [halfWay, beforeClosed])
      for (const part of partsOf(met)) expect([met.name, part > 0.97]).toEqual([met.name, true]);
    // Opening it gives up where it met it, or goes back from there.
    expect(partsOf(beforeOpen).every((part) => part < 0.9)).toBe(true);
  });

  test("held by a key it stops at what it meets, and goes nowhere by itself", () => {
    const { held } = runsOf(of).met;
    held.ways.forEach((way, leaf) => expect(wayOver(since(held, "left"), leaf) / way).toBeLessThan(0.02));
    for (const part of partsOf(held)) expect(part).toBeLessThan(0.7);
  });

  test("stopped it comes to stand and is not pulled back; without power nothing drives it", () => {
    const { stopped, unpowered } = runsOf(of);
    stopped.ways.forEach((_, leaf) => {
      const edges = since(stopped, "stop").map(({ edges: all }) => all[leaf]!);
      expect([stopped.name, Math.max(...edges) - edges.at(-1)! < 0.01]).toEqual([stopped.name, true]);
      expect(wayOver(since(stopped, "stop", 3), leaf)).toBeLessThan(0.005);
    });
    for (const { volts } of since(unpowered, "power", sampleSeconds))
      expect(volts.every((each) => each === 0)).toBe(true);
    unpowered.ways.forEach((_, leaf) =>
      expect(wayOver(since(unpowered, "power", 3), leaf)).toBeLessThan(0.005),
    );
  });
});
