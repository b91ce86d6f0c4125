import { boardIds, shippedBoard } from "../testing/shipped.ts";
import {
  behaviour,
  handlesOf,
  memoriesIn,
  menuValues,
  touchedBy,
  type BehaviourId,
  type BoardProfile,
  type Gesture,
} from "./index.ts";

const boards = boardIds().map(shippedBoard);

test("every procedure says where it is known from, and every reset what it clears", () => {
  for (const board of boards)
    for (const procedure of board.procedures) {
      expect(procedure.source.from).toBeTruthy();
      const forgotten = procedure.steps.flatMap(({ claims }) => [
        ...memoriesIn(claims.forget),
        ...memoriesIn(claims.drop),
      ]);
      if (procedure.kind === "reset")
        expect([...new Set(forgotten)].sort()).toEqual([...procedure.clears].sort());
    }
});

const stepsOf = (board: BoardProfile) =>
  [...board.procedures, ...board.cards.flatMap(({ adds }) => adds.procedures)].flatMap(({ steps }) => steps);

test("every step says what it means if what should be seen is not", () => {
  for (const board of boards)
    expect([board.id, stepsOf(board).filter(({ ifNot }) => !ifNot)]).toEqual([board.id, []]);
});

test("a step's sentence names the keys its gesture is done with as they are printed", () => {
  for (const board of boards) {
    const handles = handlesOf(board);
    const cardKeys = board.cards.flatMap(({ adds }) => adds.keys);
    const printed = (id: string) => cardKeys.find((key) => key.id === id)?.label ?? handles(id);
    for (const { id, do: gestures, says } of stepsOf(board))
      for (const part of gestures.flatMap(touchedBy))
        if (part.kind === "key")
          expect([board.id, id, says]).toEqual([board.id, id, expect.stringContaining(printed(part.id))]);
  }
});

test("a value shown in the unit of its behaviour sets as much as it shows", () => {
  for (const board of boards)
    for (const { item } of menuValues(board))
      for (const [id, range] of Object.entries(item.number?.sets ?? {})) {
        const { from, to, unit } = item.number!;
        if (unit && unit === behaviour(id as BehaviourId).unit)
          expect([board.id, item.id, range]).toEqual([board.id, item.id, { from, to }]);
      }
});

test("a key or a command that moves the leaf is cautioned about", () => {
  for (const board of boards) {
    const moving = board.keys.filter(({ outside, kind }) => outside && kind !== "turn-and-press");
    const moves = (gesture: Gesture) =>
      "command" in gesture ||
      touchedBy(gesture).some((part) => part.kind === "key" && moving.some(({ id }) => id === part.id));
    const silent = board.procedures.flatMap(({ steps }) =>
      steps.filter(
        ({ do: gestures, claims, caution }) =>
          (gestures.some(moves) || (gestures.some((each) => "fails" in each) && claims.moves)) && !caution,
      ),
    );
    expect([board.id, silent]).toEqual([board.id, []]);
  }
});
