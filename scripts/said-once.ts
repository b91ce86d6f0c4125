import { CannotStart } from "../server/src/cannot-start.ts";
import { faultOf } from "../server/src/db/faults.ts";

/** Runs a command and prints the sentence it ends with; what keeps it from its work is a sentence as well, not a stack. */
export async function saidOnce(work: () => Promise<string>): Promise<void> {
  try {
    process.stdout.write(`${await work()}\n`);
  } catch (error) {
    const { message, stack = message } = error as Error;
    const expected = error instanceof CannotStart || error instanceof RangeError || faultOf(error);
    process.stderr.write(`${expected ? message : stack}\n`);
    process.exitCode = 1;
  }
}
