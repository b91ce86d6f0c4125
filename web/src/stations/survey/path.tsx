import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from "react";
import { useLocation } from "react-router";

/** The parts of the survey, in the order in which they are gone through. */
const surveyParts = ["site", "thing", "board", "devices", "wishes", "ways", "found"] as const;
export type SurveyPart = (typeof surveyParts)[number];

interface Path {
  isOpen: (part: SurveyPart) => boolean;
  turn: (part: SurveyPart) => void;
  /** The next part for which something is wanted, after one. */
  next: (part: SurveyPart) => SurveyPart | undefined;
  /** Where the work goes on once the survey has what it needs. */
  onward: string | undefined;
  /** Folds one part and opens another. */
  goOn: (from: SurveyPart, to: SurveyPart) => void;
}

/** Without a path every part is open and leads nowhere. */
const allOpen: Path = {
  isOpen: () => true,
  turn: () => {},
  next: () => undefined,
  onward: undefined,
  goOn: () => {},
};

const Context = createContext(allOpen);

/** Which parts of the survey are open, and where to go from one. */
export const useSurveyPath = () => useContext(Context);

const partOf = (hash: string) => surveyParts.find((part) => hash === `#${part}`);

const keyOf = (job: string) => `anvilcloud-survey-${job}`;

/** The parts that were open when the page was left, in this window. */
function kept(job: string): ReadonlySet<SurveyPart> | undefined {
  const parts = sessionStorage.getItem(keyOf(job));
  if (parts === null) return undefined;
  return new Set(surveyParts.filter((part) => parts.includes(`"${part}"`)));
}

interface Props {
  job: string;
  /** Parts for which something is wanted. */
  wanting: readonly SurveyPart[];
  /** Where the work goes on, once nothing is missing that it needs. */
  onward: string | undefined;
  children: ReactNode;
}

/** Leads through the survey: what is done is folded, the first part for which something is wanted is open, and that of the address. */
export function SurveyPath({ job, wanting, onward, children }: Props) {
  const { hash } = useLocation();
  const asked = partOf(hash);
  const [open, setParts] = useState<ReadonlySet<SurveyPart>>(() => kept(job) ?? new Set(wanting.slice(0, 1)));
  const setOpen = useCallback(
    (next: ReadonlySet<SurveyPart> | ((now: ReadonlySet<SurveyPart>) => ReadonlySet<SurveyPart>)) =>
      setParts((now) => {
        const then = typeof next === "function" ? next(now) : next;
        sessionStorage.setItem(keyOf(job), JSON.stringify([...then]));
        return then;
      }),
    [job],
  );
  const [lastAsked, setLastAsked] = useState<SurveyPart>();
  if (asked !== lastAsked) {
    setLastAsked(asked);
    if (asked) setOpen(new Set([...open, asked]));
  }
  const path = useMemo(
    (): Path => ({
      isOpen: (part) => open.has(part),
      turn: (part) =>
        setOpen((now) => new Set(now.has(part) ? [...now].filter((each) => each !== part) : [...now, part])),
      next: (part) => {
        const others = wanting.filter((each) => each !== part);
        const after = others.find((each) => surveyParts.indexOf(each) > surveyParts.indexOf(part));
        return after ?? others[0];
      },
      onward,
      goOn: (from, to) => setOpen((now) => new Set([...[...now].filter((each) => each !== from), to])),
    }),
    [open, setOpen, wanting, onward],
  );
  return <Context value={path}>{children}</Context>;
}
