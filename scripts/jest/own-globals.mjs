// Strips types as @swc/jest does, and begins each module with the globals it names as constants of its own: a page under
// test looks each of them up through its window, which makes the arithmetic of the core many times slower.
import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import swc from "@swc/jest";

const names = [
  "Math",
  "Map",
  "Set",
  "WeakMap",
  "Object",
  "Array",
  "JSON",
  "Number",
  "String",
  "Infinity",
  "Symbol",
];
const self = readFileSync(new URL(import.meta.url), "utf8");

/** The code with a first line more at its beginning, on the line that was the first. */
function withOwnGlobals(code) {
  const named = names.filter(
    (name) =>
      new RegExp(`\\b${name}\\b`).test(code) &&
      !new RegExp(`\\b(?:const|let|var|class|function)\\s+${name}\\b|^import[^;]*\\b${name}\\b`, "m").test(
        code,
      ),
  );
  return named.length ? `const { ${named.join(", ")} } = globalThis; ${code}` : code;
}

export default {
  createTransformer(options) {
    const { process, processAsync, getCacheKey, ...rest } = swc.createTransformer(options);
    return {
      ...rest,
      process: (...given) => {
        const made = process(...given);
        return { ...made, code: withOwnGlobals(made.code) };
      },
      processAsync: async (...given) => {
        const made = await processAsync(...given);
        return { ...made, code: withOwnGlobals(made.code) };
      },
      getCacheKey: (...given) =>
        createHash("sha1")
          .update(getCacheKey(...given))
          .update(self)
          .digest("hex"),
    };
  },
};
