import type { BehaviourId, BoardProfile } from "../board/index.ts";
import type { Installation, Wire } from "./installation.ts";
import { wireKeys } from "./keys.ts";
import { circuitSettings } from "./set.ts";
import type { Moment } from "./situation.ts";

/** Numbers given to things in the order they are met, equal things the same. */
class Numbers {
  readonly #known = new Map<string, number>();
  of(text: string): number {
    const number = this.#known.get(text) ?? this.#known.size;
    this.#known.set(text, number);
    return number;
  }
}

/**
 * What was solved on one board already, by what the circuit is made of: most steps of a run sheet leave it as it is, and
 * many inputs are asked about the same single faults. It lives as long as the board's profile does.
 */
class Solved<Result> {
  readonly #results = new Map<string, Result>();
  readonly #wires = new Numbers();
  readonly #words = new Numbers();
  readonly #wireNumbers = new WeakMap<Wire, number>();
  readonly #deviceNumbers = new WeakMap<object, number>();
  readonly #settings: readonly BehaviourId[];
  #devices = 0;

  constructor(board: BoardProfile) {
    this.#settings = circuitSettings(board);
  }

  get count(): number {
    return this.#results.size;
  }

  #wire(wire: Wire): number {
    const known = this.#wireNumbers.get(wire);
    if (known !== undefined) return known;
    const number = this.#wires.of([wire.id, wireKeys(wire).from, wireKeys(wire).to, wire.ohms].join(">"));
    this.#wireNumbers.set(wire, number);
    return number;
  }

  #device(device: object): number {
    const number = this.#deviceNumbers.get(device) ?? this.#devices++;
    this.#deviceNumbers.set(device, number);
    return number;
  }

  #key(at: Installation, moment: Moment): string {
    const { devices, wires, linksIn, tripped, powered, interrupted, withoutMains = false, set = {} } = at;
    const words = (set: ReadonlySet<string>) => [...set].map((word) => this.#words.of(word)).sort();
    return [
      `${powered} ${withoutMains} ${moment.situation} ${moment.celsius}`,
      this.#settings.map((id) => String(set[id])).join(),
      devices.map((device) => this.#device(device)).join(),
      wires.map((wire) => this.#wire(wire)).join(),
      words(linksIn).join(),
      words(tripped).join(),
      interrupted ? words(interrupted).join() : "",
    ].join(";");
  }

  get(at: Installation, moment: Moment, solve: () => Result): Result {
    const key = this.#key(at, moment);
    const known = this.#results.get(key);
    if (known !== undefined) return known;
    const result = solve();
    this.#results.set(key, result);
    onSolved?.(at, moment);
    return result;
  }
}

let onSolved: ((at: Installation, moment: Moment) => void) | undefined;

/** Has every circuit named as it is solved for the first time, for who counts and times them; undefined ends it. */
export function watchSolutions(watch: typeof onSolved): void {
  onSolved = watch;
}

const byBoard = new WeakMap<BoardProfile, Solved<unknown>>();

function solvedOn(board: BoardProfile): Solved<unknown> {
  const known = byBoard.get(board) ?? new Solved(board);
  byBoard.set(board, known);
  return known;
}

/** The result for this installation and moment: the one found before where nothing of the circuit differs, else solved now. */
export function solvedOnce<Result>(at: Installation, moment: Moment, solve: () => Result): Result {
  return solvedOn(at.board).get(at, moment, solve) as Result;
}

/** How many distinct circuits were solved on this board. */
export const solvedCircuits = (board: BoardProfile): number => solvedOn(board).count;
