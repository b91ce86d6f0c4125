import type { Step, StepEntry } from "@anvilcloud/core";
import { act, renderHook } from "@testing-library/react";
import { useAnswerStep } from "./use-answer-step.ts";

const plain = { id: "set:V2", station: "set", title: "PUSH" } as Step;
const peak = (n: number) => ({ quantity: `peak ${n}`, unit: "N", least: 1, most: 400 });
const measured = { ...plain, readings: [peak(1), peak(2)] } as Step;

function card(step: Step, waits = false) {
  const sent: [string, object][] = [];
  let seen = 0;
  const { result, rerender } = renderHook(
    (held: boolean) =>
      useAnswerStep({
        step,
        entry: undefined,
        waits: held,
        send: (outcome, extra) => void sent.push([outcome, extra]),
        onSeen: () => (seen += 1),
      }),
    { initialProps: waits },
  );
  return {
    sent,
    seen: () => seen,
    now: () => result.current,
    open: () => rerender(false),
    say: (outcome: StepEntry["outcome"]) => act(() => result.current.say(outcome)),
    write: (values: readonly (number | undefined)[], note = "") =>
      act(() => {
        values.forEach((value, at) => result.current.setValue(at, value));
        result.current.setNote(note);
      }),
  };
}

test("seen is sent with its note and leads on at once; not seen stays and opens what it may mean", () => {
  const { say, write, sent, seen, now } = card(plain);
  say("not-seen");
  expect([now().why, seen()]).toEqual([true, 0]);
  write([], "  stiff ");
  say("seen");
  expect(sent).toEqual([
    ["not-seen", {}],
    ["seen", { note: "stiff" }],
  ]);
  expect([now().why, seen()]).toEqual([false, 1]);
});

test("a card that was seen takes no second answer on its way out", () => {
  const { say, sent } = card(plain);
  say("seen");
  say("not-seen");
  expect(sent).toHaveLength(1);
});

test("a step that waits takes no seen, but a not seen; once it is open it takes both", () => {
  const { say, sent, seen, open } = card(plain, true);
  say("seen");
  expect([sent, seen()]).toEqual([[], 0]);
  say("not-seen");
  open();
  say("seen");
  expect(sent.map(([outcome]) => outcome)).toEqual(["not-seen", "seen"]);
});

test("readings that are missing or past their limits are not seen, each told at its own field, but may be told as not seen", () => {
  const { say, write, sent, now } = card(measured);
  write([310, undefined]);
  say("seen");
  expect(now().readingErrors).toEqual([undefined, "Write the reading first."]);
  for (const [value, said] of [
    [400.5, /at most 400 N/],
    [0, /at least 1 N/],
  ] as const) {
    write([310, value]);
    expect(now().readingErrors).toEqual([undefined, expect.stringMatching(said)]);
    say("seen");
  }
  expect(sent).toEqual([]);
  write([310, 455]);
  say("not-seen");
  write([310, 400]);
  expect(now().readingErrors).toEqual([undefined, undefined]);
  say("seen");
  const readings = (second: number) => ({
    readings: [
      { quantity: "peak 1", value: 310, unit: "N" },
      { quantity: "peak 2", value: second, unit: "N" },
    ],
  });
  expect(sent).toEqual([
    ["not-seen", readings(455)],
    ["seen", readings(400)],
  ]);
});
