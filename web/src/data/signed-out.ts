import { useSyncExternalStore } from "react";

let signedOut = false;
const listeners = new Set<() => void>();

function set(next: boolean): void {
  signedOut = next;
  for (const listener of listeners) listener();
}

/** The server asks for the passphrase. */
export const tellSignedOut = (): void => set(true);
/** The passphrase was given. */
export const tellSignedIn = (): void => set(false);

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/** True while the server asks for the passphrase. */
export const useSignedOut = (): boolean => useSyncExternalStore(subscribe, () => signedOut);
