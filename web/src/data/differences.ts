import diff from "microdiff";

/** One place where two versions of a document differ. */
export interface Difference {
  path: string;
  theirs: string;
  yours: string;
}

const text = (value: unknown) =>
  value === undefined ? "—" : typeof value === "string" ? value : JSON.stringify(value);

/** Where two versions differ, place by place. */
export function differences(theirs: object, yours: object): Difference[] {
  return diff(theirs, yours).map((change) => ({
    path: change.path.join(" › "),
    theirs: text("oldValue" in change ? change.oldValue : undefined),
    yours: text("value" in change ? change.value : undefined),
  }));
}
