import { createServer as createPlainServer, type Server } from "node:http";
import { createServer } from "node:https";
import { toString as qrText } from "qrcode";
import { ensurePassphrase } from "./access/first-passphrase.ts";
import { fingerprint, givenIdentity, inLines, ownIdentity } from "./access/identity.ts";
import { inUrl, isLoopback, namesHere, ownAddresses } from "./access/names.ts";
import type { Beyond } from "./config.ts";
import { createApp, type AppParts } from "./http/app.ts";
import { trustPage } from "./http/trust-page.ts";
import { listen } from "./listen.ts";

interface Parts extends Omit<AppParts, "hosts" | "beyond"> {
  host: string;
  port: number;
  beyond: Beyond;
  /** Tells whoever started it. */
  say: (line: string) => void;
}

const anyAddress = new Set(["0.0.0.0", "::"]);

const terminal = () =>
  process.stdin.isTTY && process.stdout.isTTY ? { input: process.stdin, output: process.stdout } : undefined;

/** Serves other machines: over TLS, to whoever gives the passphrase. Throws CannotStart where either is wanting. */
export async function beyondThisMachine({ host, port, beyond, say, ...parts }: Parts): Promise<Server[]> {
  await ensurePassphrase(parts.knex, beyond.passphrase, terminal());
  const identity = beyond.tls
    ? givenIdentity(beyond.tls.certificate, beyond.tls.key)
    : await ownIdentity(beyond.made, new Date(), namesHere(anyAddress.has(host) ? [] : [host]));

  let ports = { app: port, trust: beyond.trustPort };
  const at = () => (anyAddress.has(host) ? ownAddresses() : [host]);
  const addresses = () => {
    const given = identity.names.filter((name) => !name.startsWith("*") && !isLoopback(name));
    const named = identity.authority === undefined && given.length ? given : at();
    return named.map((name) => `https://${inUrl(name)}:${ports.app}`);
  };
  const trust = () => {
    const { authority } = identity;
    if (authority === undefined) return null;
    const address = `http://${inUrl(at()[0] ?? "localhost")}:${ports.trust}`;
    return { address, fingerprint: fingerprint(authority) };
  };

  const app = createApp({
    ...parts,
    hosts: [...identity.names.map(inUrl), ...(anyAddress.has(host) ? [] : [host])],
    beyond: () => ({ addresses: addresses(), trust: trust() }),
  });
  const server = createServer({ cert: identity.certificate, key: identity.key, minVersion: "TLSv1.2" }, app);
  ports = { ...ports, app: await listen(server, port, host) };
  say(`Anvilcloud is at ${addresses().join(" and ") || `https://localhost:${ports.app}`}`);
  const { authority } = identity;
  if (authority === undefined) return [server];

  const told = createPlainServer(
    trustPage(() => ({
      certificate: authority,
      addresses: addresses(),
    })),
  );
  ports = { ...ports, trust: await listen(told, beyond.trustPort, host, "TRUST_PORT") };
  const { address, fingerprint: print } = trust()!;
  say(
    `A phone is told to trust it at ${address}; the certificate it then has must show this SHA-256:\n\n${inLines(print)}\n`,
  );
  say(await qrText(address, { type: "terminal", small: true }));
  return [server, told];
}
