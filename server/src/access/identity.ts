import { createHash, X509Certificate } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { createSecureContext } from "node:tls";
import { CannotStart } from "../cannot-start.ts";
import { makeAuthority, makeServerIdentity, vouchesFor, type Identity } from "./certificate.ts";

/** What the server speaks TLS with, the names it holds for, and, where it was made here, what a phone has to be told to trust. */
export interface TlsIdentity extends Identity {
  names: readonly string[];
  /** The authority's certificate as PEM; undefined where certificate and key were given. */
  authority?: string;
}

/** An authority is made anew when it would end within so many days. */
const renewedDays = 400;

/** Writes a file that nobody else may read. */
const writeSecret = (file: string, text: string) => writeFileSync(file, text, { mode: 0o600 });

const endsWithin = (certificate: string, days: number, now: Date) =>
  Date.parse(new X509Certificate(certificate).validTo) < now.getTime() + days * 86_400_000;

async function authorityIn(folder: string, names: readonly string[], now: Date): Promise<Identity> {
  const files = { certificate: join(folder, "authority.pem"), key: join(folder, "authority.key") };
  if (existsSync(files.certificate) && existsSync(files.key)) {
    const kept = {
      certificate: readFileSync(files.certificate, "utf8"),
      key: readFileSync(files.key, "utf8"),
    };
    if (!endsWithin(kept.certificate, renewedDays, now) && vouchesFor(kept.certificate, names)) return kept;
  }
  const made = await makeAuthority(names, now);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeSecret(files.key, made.key);
  writeSecret(files.certificate, made.certificate);
  return made;
}

/**
 * A certificate made here: for these names and addresses of the machine, signed by an authority that is made once and kept
 * in this folder, so that a phone has to be told only once.
 */
export async function ownIdentity(folder: string, now: Date, names: readonly string[]): Promise<TlsIdentity> {
  const authority = await authorityIn(folder, names, now);
  const server = await makeServerIdentity(authority, names, now);
  // Sent with its authority, so that a browser can show where it comes from.
  const certificate = `${server.certificate}\n${authority.certificate}`;
  return { certificate, key: server.key, names, authority: authority.certificate };
}

/** Names that a certificate holds for. */
function namesOf(certificate: X509Certificate): string[] {
  const found = certificate.subjectAltName?.matchAll(/(?:DNS|IP Address):([^,\s"]+)/g) ?? [];
  return [...found].map(([, name = ""]) => name);
}

/** A certificate and key that were given as files. Throws CannotStart that says what is wrong with them. */
export function givenIdentity(certificateFile: string, keyFile: string): TlsIdentity {
  const read = (name: string, file: string) => {
    try {
      return readFileSync(file, "utf8");
    } catch (error) {
      throw new CannotStart(
        `${name}: expected a file that can be read, found ${(error as Error).message}.`,
        error,
      );
    }
  };
  const certificate = read("TLS_CERT", certificateFile);
  const key = read("TLS_KEY", keyFile);
  try {
    createSecureContext({ cert: certificate, key });
    return { certificate, key, names: namesOf(new X509Certificate(certificate)) };
  } catch (error) {
    throw new CannotStart(
      `TLS_CERT, TLS_KEY: expected a certificate and the key it was made with, both as PEM, found ${(error as Error).message}.`,
      error,
    );
  }
}

/** The SHA-256 of a certificate as people compare it: pairs of digits, four a group. */
export function fingerprint(certificate: string): string {
  const digest = createHash("sha256").update(new X509Certificate(certificate).raw).digest("hex");
  return (digest.toUpperCase().match(/.{4}/g) ?? []).join(" ");
}

/** A fingerprint in four lines of four groups, so that two are compared line by line. */
export const inLines = (print: string): string =>
  (print.match(/(?:\S+ ?){1,4}/g) ?? []).map((line) => line.trim()).join("\n");
