import { displayPositions, menuValues, selectorsOf, switchIds, terminalsOf } from "../lookup.ts";
import type { BoardProfile } from "../schema/index.ts";
import { settableBehaviours } from "../settable.ts";
import { modesOf } from "../programs.ts";
import { known, type Names, type Report } from "../words/index.ts";

/** Everything of this profile that can be named from elsewhere in it. */
export function namesOf(board: BoardProfile): Names {
  const items = (board.panel?.menus ?? []).flatMap((menu) => menu.items);
  const values = new Map(menuValues(board).map(({ item }) => [item.id, displayPositions(item)]));
  return {
    terminals: terminalsOf(board).map((terminal) => terminal.id),
    inputs: board.inputs.map((input) => input.id),
    keys: board.keys.map((key) => key.id),
    memories: board.memories.map((memory) => memory.id),
    procedures: board.procedures.map((procedure) => procedure.id),
    programs: board.programs.map((program) => program.id),
    codes: board.codes.map(({ code }) => code),
    commits: board.commits.map((commit) => commit.id),
    cards: board.cards.map((card) => card.id),
    menus: (board.panel?.menus ?? []).map((menu) => menu.id),
    feeds: [...board.rails.map((rail) => rail.id), ...board.outputs.map((output) => output.id)],
    firmware: board.firmware,
    modes: [
      ...new Set([
        "idle",
        ...[...board.procedures, ...board.cards.flatMap((card) => card.adds.procedures)].flatMap(
          (procedure) => procedure.steps.flatMap((step) => step.claims.mode ?? []),
        ),
        ...[...board.programs, ...board.cards.flatMap((card) => card.adds.programs)].flatMap(modesOf),
      ]),
    ],
    controls: new Map([
      ...selectorsOf(board).map(({ id, positions }) => [id, positions] as const),
      ...board.dials.map((dial) => [dial.id, undefined] as const),
    ]),
    items: new Map(items.map((item) => [item.id, values.get(item.id) ?? []])),
    behaviours: new Set([...settableBehaviours(board), ...Object.keys(board.fixed)]),
  };
}

/** Ids of every control on the face; switches by bank and position. */
export function controlIds(board: BoardProfile): string[] {
  return [
    ...switchIds(board),
    ...board.slides.map((slide) => slide.id),
    ...board.jumpers.map((jumper) => jumper.id),
    ...board.dials.map((dial) => dial.id),
  ];
}

/** Reports firmware versions that the profile does not list. */
export function knownFirmware(
  list: readonly string[] | undefined,
  path: string,
  names: Names,
  report: Report,
): void {
  list?.forEach((each, at) => known(each, names.firmware, `${path}[${at}]`, "firmware", report));
}
