/** What keeps the server from starting, as a sentence that says where, what was expected, what was found and what to do. */
export class CannotStart extends Error {
  constructor(sentence: string, cause?: unknown) {
    super(sentence, { cause });
    this.name = "CannotStart";
  }
}
