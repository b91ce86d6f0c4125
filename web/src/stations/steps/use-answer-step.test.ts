import type { Step, StepEntry } from "@anvilcloud/core";
import { act, renderHook } from "@testing-library/react";
import { AnsweredElsewhere } from "../../data/index.ts";
import { useAnswerStep } from "./use-answer-step.ts";

const plain = { id: "set:V2", station: "set", title: "PUSH" } as Step;
const measured = { ...plain, reading: { quantity: "peak force", unit: "N", least: 1, most: 400 } } as Step;

function card(step: Step, send: (outcome: string, extra: object) => Promise<void> = () => Promise.resolve()) {
  const sent: [string, object][] = [];
  let seen = 0;
  const { result } = renderHook(() =>
    useAnswerStep({
      step,
      entry: undefined,
      send: (outcome, extra) => {
        sent.push([outcome, extra]);
        return send(outcome, extra);
      },
      onSeen: () => (seen += 1),
    }),
  );
  return {
    sent,
    seen: () => seen,
    now: () => result.current,
    say: (outcome: StepEntry["outcome"]) => act(() => result.current.say(outcome)),
    write: (value?: number, note = "") =>
      act(() => {
        result.current.setValue(value);
        result.current.setNote(note);
      }),
  };
}

test("seen is sent with its note and leads on; not seen stays and opens what it may mean", async () => {
  const { say, write, sent, seen, now } = card(plain);
  await say("not-seen");
  expect([now().why, seen()]).toEqual([true, 0]);
  write(undefined, "  stiff ");
  await say("seen");
  expect(sent).toEqual([
    ["not-seen", {}],
    ["seen", { note: "stiff" }],
  ]);
  expect([now().why, seen()]).toEqual([false, 1]);
});

test("a card that was seen takes no second answer on its way out", async () => {
  const { say, sent } = card(plain);
  await say("seen");
  await say("not-seen");
  expect(sent).toHaveLength(1);
});

test("a reading that is missing or past its limits is not seen, but may be told as not seen", async () => {
  const { say, write, sent, now } = card(measured);
  await say("seen");
  expect(now().readingError).toBe("Write the reading first.");
  for (const [value, said] of [
    [400.5, /at most 400 N/],
    [0.5, /at least 1 N/],
  ] as const) {
    write(value);
    expect(now().readingError).toMatch(said);
    await say("seen");
  }
  expect(sent).toEqual([]);
  await say("not-seen");
  write(400);
  expect(now().readingError).toBeUndefined();
  await say("seen");
  const reading = (value: number) => ({ reading: { quantity: "peak force", value, unit: "N" } });
  expect(sent).toEqual([
    ["not-seen", reading(0.5)],
    ["seen", reading(400)],
  ]);
});

test("an answer that cannot be stored leaves the card as it was, and can be given again", async () => {
  let failing = true;
  const { say, write, seen, now, sent } = card(plain, () =>
    failing ? Promise.reject(new Error("no connection")) : Promise.resolve(),
  );
  write(undefined, "stiff");
  await say("seen");
  expect([seen(), now().note]).toEqual([0, "stiff"]);
  failing = false;
  await say("seen");
  expect([seen(), sent.length]).toEqual([1, 2]);
});

test("someone else's answer is shown beside mine: theirs is left, or mine is given after it", async () => {
  const theirs = { id: "a1", outcome: "not-seen", by: "Perrin" } as StepEntry;
  let met = true;
  const { say, now, seen } = card(plain, () =>
    met ? Promise.reject(new AnsweredElsewhere("met", theirs)) : Promise.resolve(),
  );
  await say("seen");
  expect(now().conflict).toEqual({ theirs, mine: "seen" });
  act(() => now().keepTheirs());
  expect(now().conflict).toBeUndefined();
  await say("seen");
  met = false;
  await say("seen");
  expect([now().conflict, seen()]).toEqual([undefined, 1]);
});
