import secureJson from "secure-json-parse";

/** Thrown for a text that is no JSON, or has a key that would reach an object's prototype: a schema would drop it without a word. */
export class NotJson extends Error {
  constructor() {
    super("The body is not well-formed JSON, or has a key named __proto__. Correct it and send it again.");
    this.name = "NotJson";
  }
}

/** A text as JSON. Throws NotJson. */
export function parseJson(text: string): unknown {
  try {
    return secureJson.parse(text, null, { constructorAction: "error" });
  } catch {
    throw new NotJson();
  }
}
