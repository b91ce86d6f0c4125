import { boardSchema, migrateBoard, parseDevice, parseWith, upgradeJob } from "@anvilcloud/core";
import type { Knex } from "knex";
import { writeLine } from "../store/line.ts";

/** A change of the tables. */
export interface Migration {
  name: string;
  up(knex: Knex): Promise<void>;
}

/** Numbered and final: a change of the tables is a new migration at the end. */
export const migrations: readonly Migration[] = [
  {
    name: "001-jobs-and-log",
    async up(knex) {
      await knex.schema.createTable("profiles", (table) => {
        table.string("kind").notNullable();
        table.string("id").notNullable();
        table.integer("revision").notNullable();
        table.text("body").notNullable();
        table.primary(["kind", "id", "revision"]);
      });
      await knex.schema.createTable("jobs", (table) => {
        table.string("id").primary();
        table.integer("version").notNullable();
        table.string("title").notNullable();
        table.text("job").notNullable();
        table.text("board").notNullable();
        table.text("devices").notNullable();
        table.string("created_at").notNullable();
        table.string("updated_at").notNullable();
      });
      await knex.schema.createTable("log", (table) => {
        table.increments("seq");
        table.string("job_id").notNullable().references("id").inTable("jobs").onDelete("RESTRICT");
        table.string("entry_id").notNullable();
        table.string("kind").notNullable();
        table.string("step");
        table.string("at").notNullable();
        table.text("body").notNullable();
        table.unique(["job_id", "entry_id"]);
      });
      for (const act of ["UPDATE", "DELETE"])
        await knex.raw(
          `CREATE TRIGGER log_is_append_only_${act.toLowerCase()} BEFORE ${act} ON log
           BEGIN SELECT RAISE(ABORT, 'the log is append-only'); END`,
        );
    },
  },
  {
    name: "002-board-texts",
    async up(knex) {
      await knex.schema.alterTable("profiles", (table) => {
        table.text("source").comment("The file as it was written, with its comments.");
        table.string("origin").notNullable().defaultTo("shipped");
      });
      await rewriteBoards(knex, "profiles", "body");
      await rewriteBoards(knex, "jobs", "board");
    },
  },
  {
    name: "003-device-rules",
    up: rewriteDevices,
  },
  {
    name: "004-read-by",
    async up(knex) {
      await knex.schema.alterTable("profiles", (table) => {
        table.string("digest").comment("Of a shipped file's text and of the schema it was read with.");
      });
    },
  },
  {
    name: "005-counted-by-index",
    async up(knex) {
      // Beside the document, so that no count reads one.
      await knex.schema.alterTable("jobs", (table) => {
        table.string("board_id").notNullable().defaultTo("");
        table.integer("board_revision").notNullable().defaultTo(0);
      });
      await knex("jobs").update({
        board_id: knex.raw("json_extract(board, '$.id')"),
        board_revision: knex.raw("json_extract(board, '$.revision')"),
      });
      await knex.raw("CREATE INDEX jobs_by_board ON jobs (board_id, board_revision)");
      await knex.raw("CREATE INDEX jobs_by_change ON jobs (updated_at DESC, id)");
      await knex.raw("CREATE INDEX log_by_kind ON log (job_id, kind, step)");
    },
  },
  {
    name: "006-passphrase",
    async up(knex) {
      await knex.schema.createTable("passphrase", (table) => {
        table.integer("only").primary().checkIn(["1"]);
        table.string("hash").notNullable();
      });
      await knex.schema.createTable("sessions", (table) => {
        table.string("digest").primary();
        table.string("until").notNullable();
      });
    },
  },
  {
    name: "007-retired",
    async up(knex) {
      await knex.schema.alterTable("profiles", (table) => {
        table
          .boolean("retired")
          .notNullable()
          .defaultTo(false)
          .comment("Was shipped once and is no more: for the jobs that use it.");
      });
    },
  },
  {
    name: "008-programs",
    async up(knex) {
      await rewriteBoards(knex, "profiles", "body");
      await rewriteBoards(knex, "jobs", "board");
      await rewriteDevices(knex);
      const rows = (await knex("jobs").select(knex.raw("rowid AS at"), "job")) as {
        at: number;
        job: string;
      }[];
      for (const { at, job } of rows)
        await knex("jobs")
          .whereRaw("rowid = ?", [at])
          .update({ job: JSON.stringify(upgradeJob(JSON.parse(job))) });
    },
  },
  {
    name: "009-lines-of-the-list",
    async up(knex) {
      // A table of its own: beside the documents, each of its rows would be read through a whole profile.
      await knex.schema.createTable("lines", (table) => {
        table.string("id").primary().references("id").inTable("jobs").onDelete("CASCADE");
        for (const name of ["title", "updated_at", "customer", "town", "board_id", "board_name"])
          table.string(name).notNullable();
        table.string("found_by").notNullable().comment("What it is looked for by, in small letters.");
        table.string("shelf").notNullable().defaultTo("jobs");
        table.string("waits_for").notNullable().defaultTo("");
        table.string("standing").notNullable();
        for (const name of ["version", "answered", "unseen"]) table.integer(name).notNullable();
        for (const name of ["handed_over_at", "next_service", "reopened"]) table.string(name);
      });
      await knex.raw("CREATE INDEX lines_by_change ON lines (shelf, updated_at DESC, id)");
      await knex.raw("CREATE INDEX lines_by_standing ON lines (shelf, standing, updated_at DESC)");
      await knex.raw("CREATE INDEX lines_by_service ON lines (shelf, next_service)");
      for (const { id } of (await knex("jobs").select("id")) as { id: string }[]) await writeLine(knex, id);
    },
  },
];

/** A stored device with everything that was added to its format since; one that cannot be read any more stays for a person to see. */
function readAnew(device: unknown): unknown {
  try {
    return parseDevice(device, "a stored device");
  } catch (error) {
    process.stderr.write(`A stored device was left as it is: ${(error as Error).message}\n`);
    return device;
  }
}

/** Reads every stored device anew, in the catalogue and in the jobs. */
async function rewriteDevices(knex: Knex): Promise<void> {
  const profiles = (await knex("profiles")
    .where({ kind: "device" })
    .select(knex.raw("rowid AS at"), "body")) as { at: number; body: string }[];
  for (const { at, body } of profiles)
    await knex("profiles")
      .whereRaw("rowid = ?", [at])
      .update({ body: JSON.stringify(readAnew(JSON.parse(body))) });
  const jobs = (await knex("jobs").select("id", "devices")) as { id: string; devices: string }[];
  for (const { id, devices } of jobs)
    await knex("jobs")
      .where({ id })
      .update({ devices: JSON.stringify((JSON.parse(devices) as unknown[]).map(readAnew)) });
}

/** Brings every stored board profile to the newest format; one that cannot be read any more stays for a person to see. */
async function rewriteBoards(
  knex: Knex,
  table: "profiles" | "jobs",
  column: "body" | "board",
): Promise<void> {
  const rows = (await knex(table).select(knex.raw("rowid AS at"), column)) as ({ at: number } & Record<
    string,
    string
  >)[];
  for (const row of rows) {
    const stored = JSON.parse(row[column] ?? "null") as { format?: string } | null;
    if (!stored?.format?.startsWith("anvilcloud/board@")) continue;
    try {
      // What contradicts itself in it was so before: it is brought along and told where it is used.
      const body = JSON.stringify(parseWith(boardSchema, migrateBoard(stored), `${table} ${row.at}`));
      await knex(table)
        .whereRaw("rowid = ?", [row.at])
        .update({ [column]: body });
    } catch (error) {
      process.stderr.write(`A stored board was left as it is: ${(error as Error).message}\n`);
    }
  }
}
