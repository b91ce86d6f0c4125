/** One step from a format to the next. */
export interface Migration {
  from: string;
  to: string;
  up(document: Record<string, unknown>): Record<string, unknown>;
}

/** True for a plain object, as a file's mapping reads. */
export function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

/** Takes a document through every migration from its own format on; one of an unknown format comes back as it is. */
export function migrateDocument(document: unknown, migrations: readonly Migration[]): unknown {
  let current = document;
  for (const migration of migrations)
    if (isRecord(current) && current.format === migration.from)
      current = { ...migration.up(current), format: migration.to };
  return current;
}
