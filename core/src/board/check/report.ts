/** Notes one contradiction: its path, what was expected, what stood there, what to do. */
export type Report = (path: string, expected: string, found: unknown, remedy: string) => void;

/** Reports every id that stands a second time. */
export function unique(
  ids: readonly string[],
  path: (at: number) => string,
  what: string,
  report: Report,
): void {
  ids.forEach((id, at) => {
    const first = ids.indexOf(id);
    if (first !== at)
      report(path(at), `${what} of its own`, id, `Rename it: ${path(first)} has this id already.`);
  });
}

/** Reports an id that nothing of the board has; an id left out is no fault. */
export function known(
  id: string | undefined,
  ids: readonly string[],
  path: string,
  what: string,
  report: Report,
): void {
  if (id !== undefined && !ids.includes(id))
    report(
      path,
      `${what} of this board (${ids.slice(0, 24).join(", ") || "there is none"})`,
      id,
      `Correct the id, or add the ${what}.`,
    );
}
