import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from "node:crypto";
import { promisify } from "node:util";

/** Fewest and most characters of a passphrase. */
const passphraseLengths = { least: 12, most: 200 } as const;

/** Cost of a guess (RFC 7914): 64 MB of memory and about a fifth of a second. */
const cost = { N: 2 ** 16, r: 8, p: 1 } as const;
const saltBytes = 16;
const keyBytes = 32;

const derive = promisify(scrypt) as (
  passphrase: string,
  salt: Buffer,
  length: number,
  options: ScryptOptions,
) => Promise<Buffer>;

/** One guess at a time: each takes much memory. */
let last: Promise<unknown> = Promise.resolve();
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = last.then(work, work);
  last = mine.catch(() => undefined);
  return mine;
}

function keyOf(passphrase: string, salt: Buffer, { N, r, p }: { N: number; r: number; p: number }) {
  const room = { maxmem: 256 * N * r };
  // Two ways to type the same letter are one passphrase.
  return inTurn(() => derive(passphrase.normalize("NFKC"), salt, keyBytes, { N, r, p, ...room }));
}

/** What is kept of a passphrase: salt and scrypt hash, with the cost they were made at. */
export async function hashPassphrase(passphrase: string): Promise<string> {
  const salt = randomBytes(saltBytes);
  const key = await keyOf(passphrase, salt, cost);
  return ["scrypt", cost.N, cost.r, cost.p, salt.toString("base64"), key.toString("base64")].join("$");
}

/** Whether a passphrase is the one that a hash was made from. */
export async function isPassphrase(passphrase: string, hash: string): Promise<boolean> {
  const [kind, N, r, p, salt = "", key = ""] = hash.split("$");
  if (kind !== "scrypt") return false;
  const made = await keyOf(passphrase, Buffer.from(salt, "base64"), {
    N: Number(N),
    r: Number(r),
    p: Number(p),
  });
  const kept = Buffer.from(key, "base64");
  return made.length === kept.length && timingSafeEqual(made, kept);
}

/** What is wrong with a passphrase that is to be set; undefined where nothing is. */
export function passphraseFault(passphrase: string): string | undefined {
  const { least, most } = passphraseLengths;
  const length = [...passphrase].length;
  if (length >= least && length <= most && new Set(passphrase).size > 4) return undefined;
  return `expected ${least} to ${most} characters, not all alike, found ${length}. Take four or five words that belong to no saying.`;
}
