import type { BoardProfile } from "../schema/index.ts";
import type { Report } from "../words/index.ts";

/** What a terminal can belong to. */
type Role = "supply" | "battery" | "solar" | "plus" | "minus" | "third" | "input" | "common" | "output";

interface Owner {
  role: Role;
  /** Its name in words, such as "+ of Device supply". */
  name: string;
  path: string;
  /** The pole of a source, or the kind of a rail's current: only like ones meet. */
  like: string;
}

/**
 * Roles that may meet on one terminal: the minus of several d.c. rails, a sensor's common on a d.c. minus, and a panel on
 * the supply of a board that lives on one. Everything else has a terminal of its own.
 */
const mayShare: readonly (readonly [Role, Role])[] = [
  ["minus", "minus"],
  ["minus", "common"],
  ["supply", "solar"],
];

function shares(a: Owner, b: Owner): boolean {
  const allowed = mayShare.some(
    ([one, other]) => (a.role === one && b.role === other) || (a.role === other && b.role === one),
  );
  return allowed && (a.role === "common" || b.role === "common" || a.like === b.like);
}

/** Everything that names a terminal as its own, by the terminal. */
function ownersOf(board: BoardProfile): Map<string, Owner[]> {
  const owners = new Map<string, Owner[]>();
  const add = (terminal: string | undefined, owner: Owner) => {
    if (terminal !== undefined) owners.set(terminal, [...(owners.get(terminal) ?? []), owner]);
  };
  for (const [pole, terminal] of Object.entries(board.supply.poles))
    add(terminal, {
      role: "supply",
      name: `${pole} of the supply`,
      path: `supply.poles.${pole}`,
      like: pole,
    });
  for (const inlet of ["battery", "solar"] as const)
    for (const pole of ["plus", "minus"] as const)
      add(board[inlet]?.[pole], {
        role: inlet,
        name: `${pole} of the ${inlet}`,
        path: `${inlet}.${pole}`,
        like: pole,
      });
  board.rails.forEach((rail, r) => {
    for (const pole of ["plus", "minus", "third"] as const)
      (rail[pole] ?? []).forEach((terminal, at) =>
        add(terminal, {
          role: pole,
          name: `${pole} of ${rail.label}`,
          path: `rails[${r}].${pole}[${at}]`,
          // A minus that meets others is that of extra-low direct current.
          like: pole === "minus" && rail.kind === "dc" ? "dc minus" : `${rail.id} ${pole}`,
        }),
      );
  });
  board.commons.forEach(({ id, terminals }, c) =>
    terminals.forEach((terminal, at) =>
      add(terminal, {
        role: "common",
        name: `common ${id}`,
        path: `commons[${c}].terminals[${at}]`,
        like: id,
      }),
    ),
  );
  board.inputs.forEach(({ label, terminal, id }, at) =>
    add(terminal, { role: "input", name: `input ${label}`, path: `inputs[${at}].terminal`, like: id }),
  );
  board.outputs.forEach(({ label, terminals, id }, o) =>
    terminals.forEach((terminal, at) =>
      add(terminal, {
        role: "output",
        name: `output ${label}`,
        path: `outputs[${o}].terminals[${at}]`,
        like: id,
      }),
    ),
  );
  return owners;
}

/** Each terminal has one owner, but for what may share: an input on a rail's pole or two commons on one terminal pass no more. */
export function checkOwners(board: BoardProfile, report: Report): void {
  for (const [terminal, owners] of ownersOf(board))
    owners.forEach((owner, at) => {
      const other = owners.slice(0, at).find((each) => !shares(each, owner));
      if (other)
        report(
          owner.path,
          `a terminal of its own, as ${terminal} is ${other.name}`,
          terminal,
          `Name the terminal that ${owner.name} is printed at.`,
        );
    });
}
