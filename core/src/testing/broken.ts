import { parseBoard, type BoardProfile } from "../board/index.ts";
import { refusal, shippedBoard } from "./shipped.ts";

/** What is broken, on which board, how, and what a person is told: where, what was expected and found, what to do. */
export type Broken = [name: string, board: string, change: (board: BoardProfile) => void, told: RegExp];

/** One test for each: the change made to the shipped board, and the message a person needs. */
export function refusesEach(cases: readonly Broken[]): void {
  test.each(cases)("%s", (_name, id, change, told) => {
    const board = shippedBoard(id);
    change(board);
    expect(refusal(() => parseBoard(board, "x"))).toMatch(told);
  });
}
