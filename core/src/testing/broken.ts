import { parseBoard, type BoardProfile, type MenuItem } from "../board/index.ts";
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

/** The shipped boards that are broken, by the last of their names. */
export const [tandrel, quernish, pewlark, slathorn, drawmel, hoistrum, grellock, umbrick] = [
  "quillmarsh-tandrel",
  "osierbeck-quernish",
  "marlstreet-pewlark",
  "furzel-slathorn",
  "pengrath-drawmel",
  "hexby-hoistrum",
  "tarn-grellock",
  "tessock-umbrick",
] as const;

/** An entry of a board's menus, a procedure, a program, by its id. */
export const partsOf = (board: BoardProfile) => ({
  item: (id: string): MenuItem =>
    board.panel!.menus.flatMap((menu) => menu.items).find((each) => each.id === id)!,
  procedure: (id: string) => board.procedures.find((each) => each.id === id)!,
  program: (id: string) => board.programs.find((each) => each.id === id)!,
});
