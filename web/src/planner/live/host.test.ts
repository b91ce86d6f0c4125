import { parseRunFile, readFrame, replay, type Frame } from "@anvilcloud/core";
import { netloft } from "../../testing/bench.tsx";
import { createClock } from "../../testing/clock.ts";
import { createLive, type LiveInfo, type LiveNews } from "./host.ts";

const start = { seed: 1, spread: 0, from: "done" } as const;

/** A job that runs on a clock of its own, with what was heard of it last. */
async function running(from: "done" | "wired" = "done") {
  const { clock, passes } = createClock();
  const host = createLive(clock);
  const heard: { frames: number; numbers?: Float64Array; news: LiveNews[] } = { frames: 0, news: [] };
  const ears = {
    frame: (numbers: Float64Array) => {
      heard.frames += 1;
      heard.numbers = numbers;
    },
    news: (news: LiveNews) => void heard.news.push(news),
  };
  const info: LiveInfo = await host.begin({ kind: "job", bundle: netloft() }, { ...start, from }, ears);
  const frame = (): Frame => readFrame(info.layout, heard.numbers!);
  return { host, info, passes, frame, heard };
}

describe("a live bench in its worker", () => {
  test("runs as fast as the clock, ten times as fast, or not at all, with a frame every so often", async () => {
    const { host, passes, frame, heard } = await running();
    passes(1_000);
    expect(frame().seconds).toBeCloseTo(1, 1);
    expect(heard.frames).toBeGreaterThan(50);
    await host.pace(10);
    passes(1_000);
    expect(frame().seconds).toBeCloseTo(11, 0);
    await host.pace(0);
    passes(1_000);
    expect(frame().seconds).toBeCloseTo(11, 0);
    expect(heard.news.at(-1)!.paused).toBe(true);
  });

  test("begins at a moment of something past, and stands still there; what is done then is kept with it", async () => {
    const { clock, passes } = createClock();
    const host = createLive(clock);
    const heard: LiveNews[] = [];
    let last: Float64Array | undefined;
    const ears = {
      frame: (numbers: Float64Array) => void (last = numbers),
      news: (news: LiveNews) => void heard.push(news),
    };
    const past = { script: [{ at: 0.5, do: { command: "open" as const } }], seconds: 6 };
    const { layout } = await host.begin({ kind: "job", bundle: netloft() }, start, ears, past);
    const first = readFrame(layout, last!);
    expect(first.seconds).toBeCloseTo(6, 2);
    expect(first.leaves.first!.part).toBeGreaterThan(0.05);
    passes(1_000);
    expect(readFrame(layout, last!).seconds).toBeCloseTo(6, 2);
    expect(heard.at(-1)!.paused).toBe(true);
    await host.pace(1);
    passes(1_000);
    const { file, mark } = (await host.kept())!;
    expect(file.run.script).toEqual(past.script);
    expect((await host.replayed(JSON.parse(JSON.stringify(file)))).mark).toBe(mark);
  });

  test("while a finger is at a key time runs no faster than it is: a hold of three seconds is one", async () => {
    const { host, passes } = await running();
    await host.pace(10);
    const key = netloft().board.keys[0]!.id;
    await host.key(key, "down");
    passes(3_000);
    await host.key(key, "up");
    passes(1_000);
    const { file } = (await host.kept())!;
    const hold = file.run.script.find((each) => each.do && "hold" in each.do);
    expect(hold?.do).toEqual({ hold: { key, seconds: expect.closeTo(3, 1) } });
  });

  test("tells what happens once, and stands still at the next thing that does", async () => {
    const { host, passes, frame, heard } = await running();
    passes(500);
    await host.does({ do: { command: "open" } });
    expect(await host.toEvent()).toBe(true);
    const told = heard.news.flatMap((news) => news.told.map(({ text }) => text));
    expect(told.filter((text) => text === "The gate opens.")).toHaveLength(1);
    const { seconds } = frame();
    passes(1_000);
    expect(frame().seconds).toBe(seconds);
  });

  test("what is kept of it comes to the same end, here and from its file", async () => {
    const { host, passes } = await running();
    await host.does({ do: { command: "open" } });
    passes(4_000);
    await host.does({ comes: { is: "person", goes: "in" } });
    await host.does({ faults: [{ kind: "wind", metresPerSecond: 15 }] });
    passes(3_000);
    const kept = (await host.kept())!;
    const sent: unknown = JSON.parse(JSON.stringify(kept.file));
    expect((await host.replayed(sent)).mark).toBe(kept.mark);
    expect(replay(parseRunFile(sent)).mark).toBe(kept.mark);
  });

  test("begins wired and with nothing set up, without power", async () => {
    const { frame, passes, host } = await running("wired");
    passes(200);
    expect(frame()).toMatchObject({ powered: false });
    await host.does({ do: { power: "on" } });
    expect(frame().powered).toBe(true);
  });
});
