import loadHighs from "highs";
import type { Cost, Item, Shared } from "../wiring/index.ts";

/** The light word with lesser weights in the same order, so that a solver's relative tolerance stays under one unit. */
function lightened(light: number): number {
  const chained = Math.floor(light / 1e8);
  const rest = light % 1e8;
  return chained * 1e6 + Math.floor(rest / 1e6) * 2e4 + (rest % 1e6);
}

interface Variable {
  name: string;
  cost: Cost;
}

/** The assignment as an integer program: a variable for each option, for each nth use of a slot, for each limit's excess. */
function formulate<T>(items: readonly Item<T>[], shared: Shared) {
  const binaries: Variable[] = [];
  const extras: Variable[] = [];
  const rows: { vars: { name: string; coef: number }[]; exactly?: number; atMost?: number }[] = [];
  const bySlot = new Map<string, string[]>();
  const byLimit = new Map<string, { name: string; coef: number }[]>();
  items.forEach((item, at) => {
    const own = item.options.map((option, each) => {
      const name = `x${at}_${each}`;
      binaries.push({ name, cost: option.cost });
      for (const slot of [option.slot, option.also])
        if (slot !== undefined) bySlot.set(slot, [...(bySlot.get(slot) ?? []), name]);
      for (const limit of option.limits ?? [])
        byLimit.set(limit, [...(byLimit.get(limit) ?? []), { name, coef: item.milliamps ?? 0 }]);
      return { name, coef: 1 };
    });
    binaries.push({ name: `u${at}`, cost: item.unplaced });
    rows.push({ vars: [...own, { name: `u${at}`, coef: 1 }], exactly: 1 });
  });
  [...bySlot].forEach(([slot, users], s) => {
    const uses = users.flatMap((_, n): Variable[] => {
      const cost = shared.slots[slot]?.(n + 1) ?? [0, 0];
      return Number.isFinite(cost[0]) ? [{ name: `z${s}_${n}`, cost }] : [];
    });
    binaries.push(...uses);
    rows.push({
      vars: [...users.map((name) => ({ name, coef: 1 })), ...uses.map(({ name }) => ({ name, coef: -1 }))],
      exactly: 0,
    });
  });
  [...byLimit].forEach(([limit, users], l) => {
    const bears = shared.limits[limit];
    if (bears === undefined) return;
    extras.push({ name: `o${l}`, cost: [1, 0] });
    rows.push({ vars: [...users, { name: `o${l}`, coef: -1 }], atMost: bears });
  });
  return { binaries, extras, rows };
}

const term = ({ name, coef }: { name: string; coef: number }) =>
  `${coef < 0 ? "-" : "+"} ${Math.abs(coef)} ${name}`;

/** An integer-programming package made ready once. */
const solver = await loadHighs();

/** The least value of a sum of variables, by the package, under these rows; its problem is told in the CPLEX LP format. */
function least(
  vars: { name: string; coef: number }[],
  rows: string[],
  binaries: readonly Variable[],
): number {
  if (!vars.length) return 0;
  const text = [
    "Minimize",
    ` cost: ${vars.map(term).join("\n ")}`,
    "Subject To",
    ...rows,
    "Binary",
    ...binaries.map(({ name }) => ` ${name}`),
    "End",
  ].join("\n");
  const result = solver.solve(text, { mip_rel_gap: 0, mip_abs_gap: 0 });
  if (result.Status !== "Optimal") throw new Error(`The package says ${result.Status}.`);
  return result.ObjectiveValue;
}

/**
 * The least cost by a general integer-programming package: first the grave word, then the light one with the grave
 * held where it came out.
 * @returns the cost, its light word in lesser weights
 */
export function solveAsProgram<T>(items: readonly Item<T>[], shared: Shared): Cost {
  const { binaries, extras, rows } = formulate(items, shared);
  const weigh = (of: (cost: Cost) => number) =>
    [...binaries, ...extras]
      .map(({ name, cost }) => ({ name, coef: of(cost) }))
      .filter(({ coef }) => coef !== 0);
  const texts = rows.map(({ vars, exactly, atMost }) => {
    const sum = vars
      .filter(({ coef }) => coef !== 0)
      .map(term)
      .join("\n ");
    return ` ${sum} ${exactly === undefined ? `<= ${atMost ?? 0}` : `= ${exactly}`}`;
  });
  const graveVars = weigh(([grave]) => grave / 1e6);
  const grave = least(graveVars, texts, binaries);
  const held = graveVars.length ? [` ${graveVars.map(term).join("\n ")} <= ${grave + 1e-7}`] : [];
  const light = least(
    weigh(([, each]) => lightened(each)),
    [...texts, ...held],
    binaries,
  );
  return [Math.round(grave * 1e6), Math.round(light)];
}

/** A cost of ours with its light word in the same lesser weights. */
export const comparable = ([grave, light]: Cost): Cost => [grave, lightened(light)];
