import type { BoardProfile, Card, Procedure } from "./schema/index.ts";

/** What of a site decides how a profile is read: cards fitted, leaves, gate or door, firmware found. */
export interface Fitting {
  cards?: readonly string[];
  leaves?: number;
  use?: "gate" | "door";
  /** Empty or left out: not known, and everything is kept. */
  firmware?: string;
}

/** The cards a new board comes with. */
export function deliveredCards(board: BoardProfile): string[] {
  return board.slots.flatMap((slot) => slot.fitted ?? []);
}

/** The card in each slot, by the slot's id: every fitted card in one slot, and in as many slots as can be. */
export function cardsInSlots(board: BoardProfile, cards: readonly string[]): Map<string, Card> {
  const sits = new Map<string, Card>();
  /** Finds the card a slot, one that sits there moving on where it can. */
  const seat = (card: Card, tried: Set<string>): boolean =>
    board.slots.some(({ id, takes }) => {
      if (!takes.includes(card.id) || tried.has(id)) return false;
      tried.add(id);
      const there = sits.get(id);
      if (there && !seat(there, tried)) return false;
      sits.set(id, card);
      return true;
    });
  for (const card of board.cards) if (cards.includes(card.id)) seat(card, new Set());
  return sits;
}

/** Whether the board is read as a gate's or a door's when nobody says. */
export function usualUse(board: BoardProfile): "gate" | "door" {
  return board.purpose === "swing-gate" || board.purpose === "sliding-gate" ? "gate" : "door";
}

function withCard(board: BoardProfile, { adds }: Card): BoardProfile {
  return {
    ...board,
    blocks: [...board.blocks, ...adds.blocks],
    commons: [...board.commons, ...adds.commons],
    rails: [...board.rails, ...adds.rails],
    inputs: [...board.inputs, ...adds.inputs],
    links: [...board.links, ...adds.links],
    outputs: [...board.outputs, ...adds.outputs],
    lamps: [...board.lamps, ...adds.lamps],
    dips: [...board.dips, ...adds.dips],
    slides: [...board.slides, ...adds.slides],
    jumpers: [...board.jumpers, ...adds.jumpers],
    dials: [...board.dials, ...adds.dials],
    settings: [...board.settings, ...adds.settings],
    keys: [...board.keys, ...adds.keys],
    memories: [...board.memories, ...adds.memories],
    programs: [...board.programs, ...adds.programs],
    procedures: [...board.procedures, ...adds.procedures],
  };
}

/** The profile with what these cards add to it; ids the profile does not know are passed over. */
export function withCards(board: BoardProfile, cards: readonly string[]): BoardProfile {
  return board.cards.filter((card) => cards.includes(card.id)).reduce(withCard, board);
}

/** A sentence as it is told for so many leaves: of "{the leaf|both leaves}" the one or the other. */
const toldFor = (text: string, leaves: number): string =>
  text.replace(/\{([^{}|]*)\|([^{}|]*)\}/g, (_, one: string, two: string) => (leaves > 1 ? two : one));

/** A procedure with its sentences for so many leaves. */
function procedureFor(procedure: Procedure, leaves: number): Procedure {
  const told = (text: string) => toldFor(text, leaves);
  return {
    ...procedure,
    title: told(procedure.title),
    steps: procedure.steps.map((step) => ({
      ...step,
      says: told(step.says),
      ...(step.caution === undefined ? {} : { caution: told(step.caution) }),
      ...(step.see === undefined ? {} : { see: told(step.see) }),
      ...(step.ifNot === undefined ? {} : { ifNot: told(step.ifNot) }),
    })),
  };
}

/**
 * The profile as it is read on one site: with its cards, and without the settings, menu entries and procedures that hold
 * for another number of leaves, another use, another firmware or a card that is not fitted.
 */
export function fitBoard(board: BoardProfile, fitting: Fitting): BoardProfile {
  const { leaves, use = usualUse(board), firmware = "" } = fitting;
  const cards = fitting.cards ?? deliveredCards(board);
  const known = board.firmware.includes(firmware);
  const holds = (part: { leaves?: number; firmware?: string[]; use?: string; card?: string }) =>
    (part.leaves === undefined || leaves === undefined || part.leaves === leaves) &&
    (part.firmware === undefined || !known || part.firmware.includes(firmware)) &&
    (part.use === undefined || part.use === use) &&
    (part.card === undefined || cards.includes(part.card));
  const full = withCards(board, cards);
  const settings = full.settings.filter(holds);
  return {
    ...full,
    settings,
    programs: full.programs.filter(holds),
    procedures: full.procedures
      .filter(holds)
      .map((procedure) => ({ ...procedure, steps: procedure.steps.filter(holds) }))
      .map((procedure) => procedureFor(procedure, leaves ?? board.leaves)),
    panel: full.panel && {
      ...full.panel,
      opens: full.panel.opens.filter(holds),
      menus: full.panel.menus.map((menu) => ({ ...menu, items: menu.items.filter(holds) })),
    },
  };
}
