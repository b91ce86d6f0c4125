import type { Knex } from "knex";
import { migrations, type Migration } from "./migrations.ts";
import { write } from "./write.ts";

/** Where the names of the changes that were made are kept. */
const table = "knex_migrations";

/** Thrown for a database that a later program has changed: this one would not know what it holds. */
export class NewerDatabase extends Error {
  constructor(change: string) {
    super(`a later version changed it (${change})`);
    this.name = "NewerDatabase";
  }
}

async function made(knex: Knex): Promise<string[]> {
  const rows = (await knex("sqlite_master").where({ type: "table", name: table })).length
    ? ((await knex(table).orderBy("id").select("name")) as { name: string }[])
    : [];
  return rows.map(({ name }) => name);
}

/**
 * Makes the changes of the tables that were not made yet, all of them or none: a kill in the middle leaves what was.
 * Throws NewerDatabase for a change it does not know.
 */
export async function migrate(knex: Knex, changes: readonly Migration[] = migrations): Promise<void> {
  const already = await made(knex);
  const strange = already.find((name) => !changes.some((each) => each.name === name));
  if (strange) throw new NewerDatabase(strange);
  if (already.length === changes.length) return;
  await write(knex, async (trx) => {
    // Read anew: another start may have made them meanwhile.
    const known = await made(trx);
    if (!(await trx.schema.hasTable(table)))
      await trx.schema.createTable(table, (columns) => {
        columns.increments("id");
        columns.string("name").notNullable();
        columns.integer("batch");
        columns.timestamp("migration_time");
      });
    for (const { name, up } of changes) {
      if (known.includes(name)) continue;
      await up(trx);
      await trx(table).insert({ name, batch: 1, migration_time: Date.now() });
    }
  });
}
