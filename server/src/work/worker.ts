import type { MessagePort } from "node:worker_threads";
import { refusalOf, type Refusal } from "./refusal.ts";
import { tasks, type TaskName } from "./tasks.ts";

/** What a thread is asked; it says on the port when it begins. */
export interface Order {
  name: TaskName;
  input: unknown;
  begun: MessagePort;
}

/** What a thread answers. */
export type Outcome = { result: unknown } | { refusal: Refusal };

/** Does a task in a thread of its own. */
export default async function work({ name, input, begun }: Order): Promise<Outcome> {
  begun.postMessage("begun");
  begun.close();
  try {
    return { result: await (tasks[name] as (input: unknown) => unknown)(input) };
  } catch (error) {
    const refusal = refusalOf(error);
    if (!refusal) throw error;
    return { refusal };
  }
}
