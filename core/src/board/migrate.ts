import { isRecord, migrateDocument, type Migration } from "../finding/index.ts";
import { actOf, reactionMoments } from "./words/index.ts";

const asList = (value: unknown): unknown[] => (Array.isArray(value) ? value : []);
const records = (value: unknown) => asList(value).filter(isRecord);

/** From the first slice's vocabulary: one end of travel, a mains inlet, switches only, commits by a held key, memories implied. */
const second: Migration = {
  from: "anvilcloud/board@1",
  to: "anvilcloud/board@2",
  up(board) {
    const { travelEnds, inlet, ...rest } = board;
    const poles = isRecord(inlet) ? inlet : {};
    const { volts, ...terminals } = poles;
    const words = records(board.procedures)
      .flatMap((procedure) => records(procedure.steps))
      .flatMap(({ effects }) =>
        isRecord(effects) && typeof effects.learn === "string" ? [effects.learn] : [],
      );
    return {
      ...rest,
      ...(travelEnds === undefined ? {} : { limits: [travelEnds] }),
      ...(inlet === undefined ? {} : { supply: { kind: "mains", volts: [volts], poles: terminals } }),
      ...(board.settings === undefined
        ? {}
        : {
            settings: asList(board.settings).map((setting) => {
              if (!isRecord(setting)) return setting;
              const { switches, ...other } = setting;
              return { of: switches, ...other };
            }),
          }),
      ...(board.commits === undefined
        ? {}
        : {
            commits: asList(board.commits).map((commit) => {
              if (!isRecord(commit)) return commit;
              const { hold, ...other } = commit;
              return { ...other, by: { hold } };
            }),
          }),
      memories: [...new Set(words)].map((id) => ({
        id,
        label: id.charAt(0).toUpperCase() + id.slice(1),
        holds: id === "travel" ? "travel" : "remotes",
      })),
    };
  },
};

const mapOf = (entry: Record<string, unknown>, change: (value: unknown, key: string) => unknown) =>
  Object.fromEntries(Object.entries(entry).map(([key, value]) => [key, change(value, key)]));

/** Every mapping of a document changed, the inner ones first. */
function everywhere(value: unknown, change: (entry: Record<string, unknown>) => unknown): unknown {
  if (Array.isArray(value)) return value.map((each) => everywhere(each, change));
  return isRecord(value) ? change(mapOf(value, (inner) => everywhere(inner, change))) : value;
}

/** Words of one mapping of the second format as the third has them. */
function thirdWords(entry: Record<string, unknown>): Record<string, unknown> {
  const said = ["place", "remote"].find((word) => typeof entry[word] === "string");
  if (said && Object.keys(entry).length === 1) return { [said]: { says: entry[said] } };
  if (reactionMoments.every((moment) => typeof entry[moment] === "string"))
    return mapOf(entry, (value, key) => {
      const moment = reactionMoments.find((each) => each === key);
      return moment ? actOf(value as string, moment) : value;
    });
  const logic = entry.behaviour === "command-logic" ? "is" : "command-logic";
  return entry[logic] === "step-by-step" ? { ...entry, [logic]: "open-stop-close-stop" } : entry;
}

const withClaims = (procedures: unknown) =>
  asList(procedures).map((procedure) =>
    isRecord(procedure) && Array.isArray(procedure.steps)
      ? {
          ...procedure,
          steps: procedure.steps.map((step: unknown) => {
            if (!isRecord(step) || !("effects" in step)) return step;
            const { effects, ...rest } = step;
            return { ...rest, claims: effects };
          }),
        }
      : procedure,
  );

const claimed = (owner: Record<string, unknown>) =>
  Array.isArray(owner.procedures) ? { ...owner, procedures: withClaims(owner.procedures) } : owner;

/** What leaves do became words a program knows, a step's effects became claims, one word for two step logics became two. */
const third: Migration = {
  from: "anvilcloud/board@2",
  to: "anvilcloud/board@3",
  up(board) {
    const now = claimed(everywhere(board, thirdWords) as Record<string, unknown>);
    if (!Array.isArray(now.cards)) return now;
    return {
      ...now,
      cards: now.cards.map((card: unknown) =>
        isRecord(card) && isRecord(card.adds) ? { ...card, adds: claimed(card.adds) } : card,
      ),
    };
  },
};

/** Migrations of board profiles: numbered and final; a change of the format is a new one at the end. */
const migrations: readonly Migration[] = [second, third];

/** A profile of any earlier format as the newest one; anything else as it is, for the schema to refuse. */
export function migrateBoard(document: unknown): unknown {
  return migrateDocument(document, migrations);
}
