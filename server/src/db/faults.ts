/** What kept the database from doing what was asked. */
export type Fault = "busy" | "full" | "readonly" | "damaged" | "foreign" | "unreachable";

/** SQLite's result codes (sqlite.org/rescode.html) by what they mean to us; extended codes begin with these. */
const meanings: readonly (readonly [code: string, fault: Fault])[] = [
  ["SQLITE_BUSY", "busy"],
  ["SQLITE_LOCKED", "busy"],
  ["SQLITE_FULL", "full"],
  ["SQLITE_READONLY", "readonly"],
  ["SQLITE_CORRUPT", "damaged"],
  ["SQLITE_NOTADB", "foreign"],
  ["SQLITE_CANTOPEN", "unreachable"],
  ["SQLITE_PERM", "unreachable"],
  ["SQLITE_IOERR", "unreachable"],
  // Of files beside the database: no room, a quota, no right to write.
  ["ENOSPC", "full"],
  ["EDQUOT", "full"],
  ["EROFS", "readonly"],
  ["EACCES", "unreachable"],
  ["ENOTDIR", "unreachable"],
  ["EEXIST", "unreachable"],
  ["EISDIR", "unreachable"],
];

/** What an error of the database or of a file beside it means; undefined where it is another error. */
export function faultOf(error: unknown): Fault | undefined {
  const code = (error as { code?: unknown } | null)?.code;
  if (typeof code !== "string") return undefined;
  return meanings.find(([prefix]) => code === prefix || code.startsWith(`${prefix}_`))?.[1];
}
