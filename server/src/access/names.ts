import { hostname, networkInterfaces } from "node:os";
import { isIP } from "node:net";

/** Addresses of this machine in its networks, without loopback and what lives on one wire only. */
export function ownAddresses(): string[] {
  return Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ internal, address }) => !internal && !address.startsWith("fe80"))
    .map(({ address }) => address);
}

/** Names of this machine: its own, and that by which its neighbours find it (RFC 6762). */
function ownNames(): string[] {
  const own = hostname().toLowerCase();
  const plain = /^[a-z0-9](?:[a-z0-9-]*[a-z0-9])?$/.test(own);
  return plain ? [own, `${own}.local`] : [];
}

/** Every name and address by which this machine is reached, with those it was told to listen at. */
export const namesHere = (told: readonly string[]): string[] => [
  ...new Set([...ownNames(), ...told, "localhost", ...ownAddresses(), "127.0.0.1", "::1"]),
];

/** Whether a listening address is reached from this machine only. */
export function isLoopback(host: string): boolean {
  return host === "localhost" || host === "::1" || (isIP(host) === 4 && host.startsWith("127."));
}

/** An address as it stands in a URL. */
export const inUrl = (address: string): string => (isIP(address) === 6 ? `[${address}]` : address);
