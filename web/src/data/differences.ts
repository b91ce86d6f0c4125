/** One place where two versions of a document differ. */
export interface Difference {
  path: string;
  theirs: string;
  yours: string;
}

const text = (value: unknown) =>
  value === undefined ? "—" : typeof value === "string" ? value : JSON.stringify(value);

type Branch = Readonly<Record<string, unknown>>;

const isBranch = (value: unknown): value is Branch => typeof value === "object" && value !== null;

function* walk(theirs: unknown, yours: unknown, path: readonly string[]): Generator<Difference> {
  if (isBranch(theirs) && isBranch(yours) && Array.isArray(theirs) === Array.isArray(yours)) {
    const keys = new Set([...Object.keys(theirs), ...Object.keys(yours)]);
    for (const key of keys) yield* walk(theirs[key], yours[key], [...path, key]);
  } else if (theirs !== yours) yield { path: path.join(" › "), theirs: text(theirs), yours: text(yours) };
}

/** Where two versions differ, place by place. */
export const differences = (theirs: object, yours: object): Difference[] => [...walk(theirs, yours, [])];
