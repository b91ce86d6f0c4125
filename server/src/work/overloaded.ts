/** Thrown where a task was not taken, or given up: the server has too much to do, or is stopping. */
export class Overloaded extends Error {
  readonly retryAfterS: number;
  constructor(message: string, retryAfterS: number) {
    super(message);
    this.name = "Overloaded";
    this.retryAfterS = retryAfterS;
  }
}
