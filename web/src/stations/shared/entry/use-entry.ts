import {
  foundLinks,
  foundPositions,
  menuValues,
  selectorsOf,
  type Positions,
  type SettingsEntry,
  type Subject,
} from "@anvilcloud/core";
import { useState } from "react";
import { useJobBench } from "../../../data/index.ts";

type Notes = Required<Pick<SettingsEntry, "links" | "switches" | "dials" | "values">>;
type Kind = keyof Notes;

/** What is being entered: how the board was found on this visit, or how it is left. */
export type Entered = "found" | "left";

const none: Notes = { links: {}, switches: {}, dials: {}, values: {} };

/** The position after this one, of a switch, a slide, a jumper or a link. */
const after = (positions: readonly string[], at: string): string =>
  positions[(positions.indexOf(at) + 1) % positions.length] ?? at;

/**
 * Enters where controls and links stand. On the first visit what is found is a note of the survey, saved as it is made; on
 * a later one, and where a board is left, it is kept until it is written into the log as one entry.
 */
export function useEntry(entered: Entered) {
  const { job, plan, log, change, append, closed } = useJobBench();
  const { board } = plan.bundle;
  const [noted, setNoted] = useState<Notes>(none);
  const later = log.some(({ kind }) => kind === "reopened");
  const survey = entered === "found" && !later;
  const base: { positions: Positions; links: Readonly<Record<string, string>> } = survey
    ? { positions: foundPositions(board, job.found), links: foundLinks(board, job.found.links) }
    : { positions: plan.now.positions, links: plan.now.links };
  const stood: Record<Kind, Readonly<Record<string, string>>> = { links: base.links, ...base.positions };
  // What was moved and put back differs no more.
  const differing = (kind: Kind) =>
    Object.fromEntries(Object.entries(noted[kind]).filter(([id, at]) => stood[kind][id] !== at));
  const draft = {
    links: differing("links"),
    switches: differing("switches"),
    dials: differing("dials"),
    values: differing("values"),
  } as Notes;
  const positions: Positions = {
    switches: { ...base.positions.switches, ...draft.switches },
    dials: { ...base.positions.dials, ...draft.dials },
    values: { ...base.positions.values, ...draft.values },
  };
  const links = { ...base.links, ...draft.links };
  const count = Object.values(draft).reduce((sum, each) => sum + Object.keys(each).length, 0);

  function note(kind: Kind, to: Readonly<Record<string, string>>) {
    if (!survey) return setNoted((before) => ({ ...before, [kind]: { ...before[kind], ...to } }));
    for (const [id, at] of Object.entries(to))
      if (kind === "links") change({ kind: "found-link", id, to: at as "in" | "out" });
      else change({ kind: "found-control", of: kind, id, to: at });
  }

  /** A part of the face is pressed: it goes on to its next position. */
  function press({ kind, id }: Subject) {
    if (kind === "link") note("links", { [id]: links[id] === "in" ? "out" : "in" });
    const selector = selectorsOf(board).find((each) => each.id === id && each.kind === kind);
    if (selector) note("switches", { [id]: after(selector.positions, positions.switches[id] ?? "") });
  }

  /** Everything was looked at; what differs, and nothing more, is written down. */
  async function keep(complete: boolean) {
    if (survey) return change({ kind: "noted", noted: complete });
    await append({ kind: "settings", as: entered, ...draft, ...(complete ? { complete } : {}) });
    setNoted(none);
  }

  return {
    board,
    closed,
    survey,
    noted: job.found.noted,
    positions,
    links,
    count,
    note,
    press,
    keep,
    values: menuValues(board),
    drop: () => setNoted(none),
  };
}
