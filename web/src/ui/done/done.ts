import { UNSTABLE_ToastQueue as ToastQueue } from "react-aria-components";

/** Something that was done, in words, and how it is taken back. */
export interface Done {
  text: string;
  undo: () => void | Promise<void>;
}

/** What a notice says: something done that can be taken back, or how taking it back went. */
export type Said = { text: string; done?: Done };

/** The notices at hand, one at a time. */
export const notices = new ToastQueue<Said>({ maxVisibleToasts: 1 });

/** How long a notice stands, ms. */
const standsMs = 12_000;
/** How many things can be taken back, one after the other. */
const most = 30;

const stack: Done[] = [];

/** Tells what was done, and lets it be taken back: by its notice, or as the last thing done. */
export function did(text: string, undo: Done["undo"]): void {
  const done = { text, undo };
  stack.push(done);
  if (stack.length > most) stack.shift();
  tell({ text, done });
}

/** The newest notice takes the place of the one before: it is the one someone may want to take back. */
function tell(said: Said): void {
  notices.clear();
  notices.add(said, { timeout: standsMs });
}

const say = (text: string) => tell({ text });

/** Takes one thing back, and says how it went. */
export async function takeBack(done: Done): Promise<void> {
  const at = stack.indexOf(done);
  if (at < 0) return;
  stack.splice(at, 1);
  try {
    await done.undo();
    say(`Taken back: ${done.text}`);
  } catch (error) {
    say(`Not taken back: ${done.text} ${(error as Error).message}`);
  }
}

/** Takes back the last thing done; says so where there is none. */
export async function takeBackLast(): Promise<void> {
  const last = stack.at(-1);
  if (last) await takeBack(last);
  else say("Nothing to take back.");
}

/** Forgets what could be taken back, as when another page of the program is begun in a test. */
export function forgetDone(): void {
  stack.length = 0;
}
