import { saidTo, wiresWith, type Asked, type Circuit, type Twin, type TwinFault } from "../../twin/index.ts";

/** What a board asked of its circuit while someone held contacts, what it did by each answer, and how it ended. */
interface Node<Outcome> {
  asked?: { asked: Asked; held: readonly TwinFault[] };
  next: Map<string, Node<Outcome>>;
  outcome?: Outcome;
}

/** Plays a run, telling each question of its board with its answer. */
type Play<Outcome> = (heard: (asked: Asked, held: readonly TwinFault[], said: string) => void) => Outcome;

/**
 * Runs of one installation from one moment, by what its board asked of the circuit and was told. A board knows of its
 * wires no more than the answers: a fault of wires or contacts that gives the answers of a run that was played ends as
 * that run did, and need not be played.
 */
export class Replayed<Outcome> {
  readonly #start: Twin;
  readonly #roots = new Map<string, Node<Outcome>>();

  /** @param start the installation at the moment at which each run begins, with nothing wrong */
  constructor(start: Twin) {
    this.#start = start;
  }

  /** How a run with a fault ends: by a run that was played and heard the same, or by playing it. */
  outcome(faults: readonly TwinFault[], play: Play<Outcome>): Outcome {
    const circuit = wiresWith(this.#start, faults);
    if (!circuit) return play(() => {});
    const root = rootIn(this.#roots, outsideAnswers(circuit));
    const circuits = new Map<readonly TwinFault[], Circuit>();
    // What is held is put in before the fault, which has the last word.
    const saying = (held: readonly TwinFault[]): Circuit => {
      const own = circuits.get(held) ?? wiresWith(this.#start, [...held, ...faults])!;
      circuits.set(held, own);
      return own;
    };
    const end = follow(root, (asked, held) => saidTo(saying(held), asked));
    if (end?.outcome !== undefined) return end.outcome;
    return this.#played(root, play);
  }

  #played(root: Node<Outcome>, play: Play<Outcome>): Outcome {
    let at = root;
    const outcome = play((asked, held, said) => {
      at.asked ??= { asked, held };
      const next = at.next.get(said) ?? { next: new Map() };
      at.next.set(said, next);
      at = next;
    });
    at.outcome = outcome;
    return outcome;
  }
}

/** Where a run ends that is told so; undefined where none was played that heard the same. */
function follow<Outcome>(
  root: Node<Outcome>,
  said: (asked: Asked, held: readonly TwinFault[]) => string,
): Node<Outcome> | undefined {
  let at: Node<Outcome> | undefined = root;
  while (at?.asked) at = at.next.get(said(at.asked.asked, at.asked.held));
  return at;
}

function rootIn<Outcome>(roots: Map<string, Node<Outcome>>, key: string): Node<Outcome> {
  const root = roots.get(key) ?? { next: new Map() };
  roots.set(key, root);
  return root;
}

/** What a twin takes from its wires without asking the circuit: where leads of drives and panels sit. */
function outsideAnswers({ wired, sits }: Circuit & { sits: object }): string {
  const leads = new Set(
    wired.devices
      .filter(
        ({ profile }) =>
          profile.supplies.some(({ duty }) => duty === "drive") ||
          profile.provides.some(({ feeds }) => feeds.includes("panel")),
      )
      .map(({ id }) => id),
  );
  const own = wired.wires.filter(({ from }) => from.kind === "pin" && leads.has(from.device));
  return JSON.stringify([own, sits]);
}
