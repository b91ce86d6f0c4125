import type { Knex } from "knex";
import { read } from "read";
import { CannotStart } from "../cannot-start.ts";
import { passphraseHash, setPassphraseHash } from "../store/access.ts";
import { hashPassphrase, isPassphrase, passphraseFault } from "./passphrase.ts";

/** Where a passphrase is asked for: a terminal with someone at it. */
export interface Terminal {
  input: NodeJS.ReadStream;
  output: NodeJS.WriteStream;
}

/** Asks without showing what is typed, the end of the line included. */
async function ask(prompt: string, { input, output }: Terminal): Promise<string> {
  const typed = await read({ prompt, silent: true, input, output });
  output.write("\n");
  return typed;
}

/** Asks for a new passphrase until one is given that will do, twice alike. */
async function askNew(terminal: Terminal): Promise<string> {
  terminal.output.write(
    "Others will reach Anvilcloud on this machine, so it needs a passphrase: four or five words.\n",
  );
  for (;;) {
    const passphrase = await ask("New passphrase: ", terminal);
    const fault = passphraseFault(passphrase) ?? "";
    if (!fault && (await ask("Once more: ", terminal)) === passphrase) return passphrase;
    terminal.output.write(`${fault || "The two are not alike."}\n`);
  }
}

/**
 * Has a passphrase set before anyone is let in: the one that is given, or the one that was set before, or one that is
 * asked for at the terminal. Throws CannotStart that says how, where there is none of them.
 */
export async function ensurePassphrase(
  knex: Knex,
  given: string | undefined,
  terminal: Terminal | undefined,
): Promise<void> {
  const kept = await passphraseHash(knex);
  if (given === undefined && kept !== undefined) return;
  if (given === undefined && !terminal)
    throw new CannotStart(
      'PASSPHRASE: expected a passphrase, found none, and nobody at a terminal to ask. Beyond this machine anyone could read and change everything: start with PASSPHRASE="four or five words" once, or at a terminal; or leave HOST out to listen on this machine only.',
    );
  const fault = given === undefined ? undefined : passphraseFault(given);
  if (fault) throw new CannotStart(`PASSPHRASE: ${fault}`);
  const passphrase = given ?? (await askNew(terminal!));
  // The same one again leaves those signed in who are.
  if (kept !== undefined && (await isPassphrase(passphrase, kept))) return;
  await setPassphraseHash(knex, await hashPassphrase(passphrase));
}
