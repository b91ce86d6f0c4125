import { useEffect, useRef } from "react";

/** A key, by the value of `KeyboardEvent.key`, and what it does. */
export type Shortcuts = Record<string, (event: KeyboardEvent) => void>;

const storageKey = "anvilcloud-shortcuts";

/** Single-key shortcuts can be turned off, for people who speak their input. */
export const shortcutsOn = () => localStorage.getItem(storageKey) !== "off";
export const setShortcutsOn = (on: boolean) => localStorage.setItem(storageKey, on ? "on" : "off");

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    !!target.closest("input, textarea, select, [role=listbox], [role=dialog], [contenteditable]")
  );
}

/** Listens for single keys while the component stands, except where someone types. */
export function useShortcuts(shortcuts: Shortcuts): void {
  const latest = useRef(shortcuts);
  useEffect(() => {
    latest.current = shortcuts;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
      if (isTyping(event.target) || !shortcutsOn()) return;
      const act = latest.current[event.key];
      if (!act) return;
      event.preventDefault();
      act(event);
    };
    document.addEventListener("keydown", onKey);
    return () => document.removeEventListener("keydown", onKey);
  }, []);
}
