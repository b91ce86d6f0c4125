import type { JobBundle, LogEntry } from "@anvilcloud/core";

/**
 * The text of a job file, part by part, so that a long log is never held as a whole: the job and its profiles laid out to
 * be read, then one entry of the log a line.
 */
export async function* bundleText(
  head: Omit<JobBundle, "log">,
  pages: AsyncIterable<LogEntry[]>,
): AsyncGenerator<string> {
  yield `${JSON.stringify(head, null, 2).slice(0, -2)},\n  "log": [`;
  let before = "\n    ";
  for await (const page of pages) {
    if (!page.length) continue;
    yield before + page.map((entry) => JSON.stringify(entry)).join(",\n    ");
    before = ",\n    ";
  }
  yield before.startsWith(",") ? "\n  ]\n}\n" : "]\n}\n";
}
