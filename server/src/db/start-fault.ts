import { faultOf, type Fault } from "./faults.ts";
import { NewerDatabase } from "./migrate.ts";

const restore = "Put a backup in its place with `npm run restore`, or name another file in DATABASE.";

const sentences: Record<Fault, string> = {
  busy: "expected a database that can be written, found that another program holds it. End that program, such as a database tool or a backup, and start again.",
  full: "expected room to write, found the disk full. Make room on it and start again.",
  readonly:
    "expected a database that can be written, found a file or a disk that is read-only. Give this user the right to write the file and its folder, or name another file in DATABASE.",
  damaged: `expected a sound database, found a damaged one. ${restore}`,
  foreign: `expected a database of Anvilcloud, found a file that is no database, or whose beginning is damaged. ${restore}`,
  unreachable:
    "expected a file that can be opened, found none that this user may read and write there. Look at the path and at the rights of its folder, or name another file in DATABASE.",
};

/** What keeps the server from starting on a database, as a sentence to act on; undefined where the fault is none of its file's. */
export function startFault(error: unknown, file: string): string | undefined {
  const nothing = "Nothing in it was changed.";
  if (error instanceof NewerDatabase)
    return `${file}: expected a database of this version of Anvilcloud or an earlier one, found that ${error.message}. Start that later version, or name another file in DATABASE. ${nothing}`;
  const fault = faultOf(error);
  return fault && `${file}: ${sentences[fault]} ${nothing}`;
}
