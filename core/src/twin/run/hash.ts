/**
 * A mark of everything that is fed to it, in order: two numbers of 32 bits, mixed by whole numbers alone, so that it is the
 * same in every engine. It tells two runs apart; it is no seal against who would forge one.
 */
export class Mark {
  #one = 0x811c9dc5;
  #other = 0x9e3779b9;
  readonly #bits = new DataView(new ArrayBuffer(8));

  #word(word: number): void {
    this.#one = Math.imul(this.#one ^ word, 0x01000193);
    this.#other = Math.imul(((this.#other << 5) | (this.#other >>> 27)) ^ word, 0x85ebca6b);
  }

  /** A number to its last bit; both zeros are one. */
  number(value: number): void {
    this.#bits.setFloat64(0, value === 0 ? 0 : value);
    this.#word(this.#bits.getInt32(0));
    this.#word(this.#bits.getInt32(4));
  }

  text(text: string): void {
    for (let at = 0; at < text.length; at += 1) this.#word(text.charCodeAt(at));
    this.#word(-1);
  }

  /** Sixteen hexadecimal digits. */
  get digits(): string {
    return [this.#one, this.#other].map((part) => (part >>> 0).toString(16).padStart(8, "0")).join("");
  }
}
