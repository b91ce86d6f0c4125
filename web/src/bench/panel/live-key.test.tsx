import { expect, test } from "@jest/globals";
import { act, fireEvent, render, screen } from "@testing-library/react";
import { LiveKey } from "./live-key.tsx";

test("a key tells how long the board has counted it as held, not how long the finger was on it", async () => {
  let counted = 4.9;
  render(<LiveKey label="RUN" counted={() => counted} onDone={() => {}} />);
  const key = screen.getByRole("button", { name: "RUN" });
  act(() => key.focus());
  fireEvent.keyDown(key, { key: "Enter" });
  await screen.findByRole("button", { name: "RUN 4 s" });
  counted = 5;
  await screen.findByRole("button", { name: "RUN 5 s" });
  fireEvent.keyUp(key, { key: "Enter" });
  expect(await screen.findByRole("button", { name: "RUN" })).toBe(key);
});
