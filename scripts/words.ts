import { gather } from "./words/gather.ts";
import { sites } from "./words/sites.ts";

/**
 * Prints every sentence the app says of the shipped boards and many jobs on them, each once, with the sites it is said of:
 * to be read by someone who knows the trade. Further arguments narrow it: only sentences that hold all of them.
 */
const wanted = process.argv.slice(2).map((word) => word.toLowerCase());
const said = new Map<string, Set<string>>();
for (const { name, bundle } of sites())
  for (const { where, text } of gather(bundle)) {
    const key = `${where}: ${text}`;
    said.set(key, (said.get(key) ?? new Set<string>()).add(name));
  }
const lines = [...said]
  .filter(([text]) => wanted.every((word) => text.toLowerCase().includes(word)))
  .map(([text, names]) => `${text}  [${names.size > 3 ? `${names.size} sites` : [...names].join(", ")}]`)
  .sort();
process.stdout.write(`${lines.join("\n")}\n${lines.length} sentences\n`);
