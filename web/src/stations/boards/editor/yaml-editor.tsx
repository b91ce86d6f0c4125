import { autocompletion, type CompletionContext, type CompletionResult } from "@codemirror/autocomplete";
import { indentWithTab } from "@codemirror/commands";
import { yaml } from "@codemirror/lang-yaml";
import { HighlightStyle, syntaxHighlighting } from "@codemirror/language";
import { lintGutter, setDiagnostics, type Diagnostic } from "@codemirror/lint";
import { EditorState } from "@codemirror/state";
import { EditorView, keymap } from "@codemirror/view";
import type { BoardProfile, Problem } from "@anvilcloud/core";
import { tags } from "@lezer/highlight";
import { basicSetup } from "codemirror";
import { useEffect, useRef, type RefObject } from "react";
import { color, font } from "../../../theme/index.ts";
import { suggestions, type JsonSchema } from "./suggest.ts";
import { placeAt } from "./yaml-path.ts";

const look = EditorView.theme({
  "&": { height: "100%", fontSize: "0.875rem", backgroundColor: color.surface, color: color.ink },
  ".cm-scroller": { fontFamily: font.mono, lineHeight: "1.5" },
  ".cm-gutters": { backgroundColor: color.sunk, color: color.quiet, border: "none" },
  ".cm-activeLine, .cm-activeLineGutter": { backgroundColor: color.accentSoft },
  "&.cm-focused": { outline: "none" },
  ".cm-cursor": { borderLeftColor: color.ink },
  "&.cm-focused .cm-selectionBackground, .cm-selectionBackground": {
    backgroundColor: `${color.noteSoft} !important`,
  },
  ".cm-tooltip": {
    backgroundColor: color.surface,
    color: color.ink,
    border: `1px solid ${color.strongLine}`,
  },
  ".cm-tooltip-autocomplete ul li[aria-selected]": { backgroundColor: color.accent, color: color.onAccent },
  ".cm-completionDetail": { fontStyle: "normal", fontFamily: font.text, whiteSpace: "normal" },
});

const colours = HighlightStyle.define([
  { tag: tags.comment, color: color.quiet, fontStyle: "italic" },
  { tag: [tags.propertyName, tags.definition(tags.propertyName)], color: color.accent, fontWeight: "600" },
  { tag: [tags.string, tags.content], color: color.ink },
  { tag: [tags.labelName, tags.typeName], color: color.caution },
]);

interface Sources {
  schema: JsonSchema | undefined;
  board: BoardProfile | undefined;
}

function complete(sources: RefObject<Sources>) {
  return ({ state, pos, explicit }: CompletionContext): CompletionResult | null => {
    const { schema, board } = sources.current;
    if (!schema) return null;
    const place = placeAt(state.doc.toString(), pos);
    if (!explicit && place.word === "" && place.key === undefined) return null;
    const options = suggestions(schema, place, board).map(({ text, detail, kind }) => ({
      label: text,
      ...(detail ? { detail } : {}),
      apply: kind === "key" ? `${text}: ` : text,
      type: kind === "key" ? "property" : "enum",
    }));
    return options.length ? { from: place.from, options, validFor: /^["\w$-]*$/ } : null;
  };
}

function diagnosticsOf(problems: readonly Problem[], state: EditorState): Diagnostic[] {
  return problems.map((problem) => {
    const line = state.doc.line(Math.min(state.doc.lines, Math.max(1, problem.line ?? 1)));
    const from = Math.min(line.to, line.from + Math.max(0, (problem.column ?? 1) - 1));
    return {
      from,
      to: Math.max(from, line.to),
      severity: "error",
      message: `${problem.path}: expected ${problem.expected}, found ${problem.found}. ${problem.remedy}`,
    };
  });
}

interface Props extends Sources {
  /** The text to begin with; later changes of it are not taken over. */
  start: string;
  onChange: (text: string) => void;
  problems: readonly Problem[];
  /** Line to show and go to; counted from 1. */
  goTo?: { line: number; column: number } | undefined;
}

/** A text editor for profiles: colours, completion from the published schema, and every problem at its place. */
export function YamlEditor({ start, onChange, problems, schema, board, goTo }: Props) {
  const host = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | undefined>(undefined);
  const sources = useRef<Sources>({ schema, board });
  const changed = useRef(onChange);
  useEffect(() => {
    sources.current = { schema, board };
    changed.current = onChange;
  });

  useEffect(() => {
    if (!host.current) return;
    const editor = new EditorView({
      parent: host.current,
      state: EditorState.create({
        doc: start,
        extensions: [
          basicSetup,
          yaml(),
          look,
          syntaxHighlighting(colours),
          lintGutter(),
          autocompletion({
            override: [complete(sources)],
            activateOnCompletion: (completion) => completion.type === "property",
          }),
          keymap.of([indentWithTab]),
          EditorView.contentAttributes.of({ "aria-label": "Text of the profile", tabindex: "0" }),
          EditorView.updateListener.of((update) => {
            if (update.docChanged) changed.current(update.state.doc.toString());
          }),
        ],
      }),
    });
    view.current = editor;
    return () => editor.destroy();
  }, [start]);

  useEffect(() => {
    const editor = view.current;
    if (editor) editor.dispatch(setDiagnostics(editor.state, diagnosticsOf(problems, editor.state)));
  }, [problems]);

  useEffect(() => {
    const editor = view.current;
    if (!editor || !goTo) return;
    const line = editor.state.doc.line(Math.min(editor.state.doc.lines, goTo.line));
    const at = Math.min(line.to, line.from + goTo.column - 1);
    editor.dispatch({ selection: { anchor: at }, scrollIntoView: true });
    editor.focus();
  }, [goTo]);

  return <div ref={host} style={{ height: "100%", minHeight: 0 }} />;
}
