import { findingTable, type FindingEntry, type Severity } from "./table/index.ts";

/** What a finding is about, so that the interface can show it there. */
export interface Subject {
  kind:
    | "terminal"
    | "link"
    | "switch"
    | "slide"
    | "jumper"
    | "dial"
    | "value"
    | "lamp"
    | "display"
    | "input"
    | "rail"
    | "slot"
    | "device"
    | "cable"
    | "net"
    | "behaviour"
    | "key";
  id: string;
}

export type FindingCode = keyof typeof findingTable;

/** Names in braces of a sentence. */
type NamesIn<Text extends string> = Text extends `${string}{${infer Name}}${infer Rest}`
  ? Name | NamesIn<Rest>
  : never;

type Sentences<Code extends FindingCode> = (typeof findingTable)[Code]["what" | "why" | "remedy"];

/** The values a code takes: a text for each name in its sentences, no other. */
export type FindingValues<Code extends FindingCode> = Readonly<Record<NamesIn<Sentences<Code>>, string>>;

/** Something the core has to say against a plan or a state; its sentences come from `wordsOf`. */
export interface Finding {
  code: FindingCode;
  severity: Severity;
  subjects: Subject[];
  /** What the sentences need: names and numbers with their unit already in the text. */
  values: Readonly<Record<string, string>>;
}

/** A finding of this code about these subjects, with the values its sentences name. */
export function finding<Code extends FindingCode>(
  code: Code,
  subjects: Subject[],
  ...[values]: NamesIn<Sentences<Code>> extends never ? [] : [values: FindingValues<Code>]
): Finding {
  return { code, severity: findingTable[code].severity, subjects, values: values ?? {} };
}

/** A finding in three sentences: what is so, why it matters, what to do. */
export type FindingWords = Pick<FindingEntry, "what" | "why" | "remedy">;

/** Ranks severities for sorting: the gravest first. */
export const severityRank: Record<Severity, number> = { danger: 0, fault: 1, caution: 2, note: 3 };

/** The sentences of a finding, its values filled in. */
export function wordsOf({ code, values }: Finding): FindingWords {
  const { what, why, remedy } = findingTable[code];
  const fill = (text: string) => text.replace(/\{(\w+)\}/g, (whole, name: string) => values[name] ?? whole);
  return { what: fill(what), why: fill(why), remedy: fill(remedy) };
}

/** True where a finding is about a subject. */
export const isAbout = (
  { subjects }: Pick<Finding, "subjects">,
  kind: Subject["kind"],
  id: string,
): boolean => subjects.some((subject) => subject.kind === kind && subject.id === id);
