import { isRecord, migrateDocument, type Migration } from "../finding/index.ts";

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

/** Migrations of board profiles: numbered and final; a change of the format is a new one at the end. */
const migrations: readonly Migration[] = [second];

/** A profile of any earlier format as the newest one; anything else as it is, for the schema to refuse. */
export function migrateBoard(document: unknown): unknown {
  return migrateDocument(document, migrations);
}
