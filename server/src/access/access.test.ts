import { X509Certificate } from "node:crypto";
import { existsSync, statSync, writeFileSync } from "node:fs";
import { createServer, get } from "node:https";
import { createServer as createPlainServer } from "node:http";
import { isIP, type AddressInfo } from "node:net";
import { join } from "node:path";
import { PassThrough } from "node:stream";
import request from "supertest";
import { freshFolder } from "../testing/folders.ts";
import { trustPage } from "../http/trust-page.ts";
import { makeAuthority, makeServerIdentity, vouchesFor, type Identity } from "./certificate.ts";
import { ensurePassphrase } from "./first-passphrase.ts";
import { fingerprint, givenIdentity, inLines, ownIdentity } from "./identity.ts";
import { namesHere } from "./names.ts";
import { hashPassphrase, isPassphrase, passphraseFault } from "./passphrase.ts";
import { passphraseHash } from "../store/access.ts";
import { filledDatabase } from "../testing/serve.ts";

const now = new Date();

describe("a passphrase", () => {
  test("is known by its hash, which holds a salt of its own", async () => {
    const [one, two] = [
      await hashPassphrase("four dry hinge pins"),
      await hashPassphrase("four dry hinge pins"),
    ];
    expect(one).not.toBe(two);
    expect(one).toMatch(/^scrypt\$65536\$8\$1\$/);
    expect(await isPassphrase("four dry hinge pins", one)).toBe(true);
    expect(await isPassphrase("four dry hinge pin", one)).toBe(false);
    expect(await isPassphrase("four dry hinge pins", "plain$four dry hinge pins")).toBe(false);
  });

  // RFC 7914, section 12, third test vector.
  test("is hashed as the standard has it", async () => {
    const salt = Buffer.from("SodiumChloride").toString("base64");
    const key =
      "7023bdcb3afd7348461c06cd81fd38ebfda8fbba904f8e3ea9b543f6545da1f2d5432955613f0fcf62d49705242a9af9e61e85dc0d651e40dfcf017b45575887";
    const first = Buffer.from(key, "hex").subarray(0, 32).toString("base64");
    expect(await isPassphrase("pleaseletmein", `scrypt$16384$8$1$${salt}$${first}`)).toBe(true);
  });

  test.each(["", "short", "eleven char", "aaaaaaaaaaaaaaaa", "x".repeat(300)])("%p will not do", (weak) => {
    expect(passphraseFault(weak)).toMatch(/^expected 12 to 200 characters, not all alike, found \d+/);
  });

  test("is set from what is given, kept after, and asked for where there is a terminal; without all three nobody is let in", async () => {
    const { knex } = await filledDatabase();
    await expect(ensurePassphrase(knex, undefined, undefined)).rejects.toThrow(
      /^PASSPHRASE: expected a passphrase, found none.*start with PASSPHRASE=/,
    );
    await expect(ensurePassphrase(knex, "short", undefined)).rejects.toThrow(/^PASSPHRASE: expected 12/);
    expect(await passphraseHash(knex)).toBeUndefined();
    await ensurePassphrase(knex, "four dry hinge pins", undefined);
    const kept = (await passphraseHash(knex))!;
    await ensurePassphrase(knex, undefined, undefined);
    await ensurePassphrase(knex, "four dry hinge pins", undefined);
    expect(await passphraseHash(knex)).toBe(kept);
    await ensurePassphrase(knex, "five wet hinge pins", undefined);
    expect(await isPassphrase("five wet hinge pins", (await passphraseHash(knex))!)).toBe(true);
    await knex.destroy();
  });
});

test("at a terminal a new passphrase is asked for until one will do, twice alike, and never shown", async () => {
  const { knex } = await filledDatabase();
  const [input, output] = [new PassThrough(), new PassThrough()];
  let shown = "";
  const lines = [
    "short",
    "four dry hinge pins",
    "four dry hinge pin",
    "four dry hinge pins",
    "four dry hinge pins",
  ];
  output.on("data", (data: Buffer) => {
    shown += data.toString();
    // Each question has its answer.
    if (/(?:passphrase|more): $/i.test(shown) && lines.length)
      setImmediate(() => input.write(`${lines.shift()}\n`));
  });
  await ensurePassphrase(knex, undefined, { input, output } as never);
  expect(lines).toEqual([]);
  expect(shown).toContain("expected 12 to 200 characters");
  expect(shown).toContain("The two are not alike.");
  expect(shown).not.toContain("hinge");
  expect(await isPassphrase("four dry hinge pins", (await passphraseHash(knex))!)).toBe(true);
  await knex.destroy();
});

/** What a client that trusts the authority makes of a server that shows this identity, asked for by this name. */
async function reached(authority: Identity, names: string[], host: string): Promise<string> {
  const { certificate, key } = await makeServerIdentity(authority, names, now);
  const server = createServer({ cert: certificate, key }, (_request, response) => response.end("in"));
  await new Promise<void>((up) => server.listen(0, "127.0.0.1", up));
  const { port } = server.address() as AddressInfo;
  const lookup = (_host: string, { all }: { all?: boolean }, done: (...answer: unknown[]) => void) =>
    all ? done(null, [{ address: "127.0.0.1", family: 4 }]) : done(null, "127.0.0.1", 4);
  const options = {
    host,
    port,
    ca: authority.certificate,
    lookup: lookup as never,
    ...(isIP(host) ? {} : { servername: host }),
  };
  const said = await new Promise<string>((done) => {
    get(options, (response) => response.on("data", (data: Buffer) => done(data.toString()))).on(
      "error",
      (error) => done((error as NodeJS.ErrnoException).code ?? error.message),
    );
  });
  server.closeAllConnections();
  await new Promise((closed) => server.close(closed));
  return said;
}

describe("a certificate made here (judged by the TLS of Node, which is OpenSSL's)", () => {
  let authority: Identity;
  beforeAll(async () => (authority = await makeAuthority(["benchbox", "benchbox.local"], now)));

  test("is trusted where its authority is, for the names it has", async () => {
    expect(await reached(authority, ["benchbox.local", "127.0.0.1"], "benchbox.local")).toBe("in");
    expect(await reached(authority, ["benchbox.local", "127.0.0.1"], "127.0.0.1")).toBe("in");
    expect(await reached(authority, ["benchbox.local"], "localhost")).toBe("ERR_TLS_CERT_ALTNAME_INVALID");
  });

  test("is worth nothing for a site of the world, even with the authority's key in other hands", async () => {
    // Node has no word of its own for OpenSSL's "permitted subtree violation".
    expect(await reached(authority, ["bank.example"], "bank.example")).toBe("UNSPECIFIED");
    expect(await reached(authority, ["203.0.113.9", "bank.example"], "bank.example")).toBe("UNSPECIFIED");
    const unbound = await makeAuthority(["bank.example"], now);
    expect(await reached(unbound, ["bank.example"], "bank.example")).toBe("in");
  });

  test("is worth nothing where the authority is another, or its own", async () => {
    const other = await makeAuthority(["benchbox"], now);
    const { certificate } = await makeServerIdentity(authority, ["benchbox"], now);
    const shown = new X509Certificate(certificate);
    expect(shown.verify(new X509Certificate(authority.certificate).publicKey)).toBe(true);
    expect(shown.verify(new X509Certificate(other.certificate).publicKey)).toBe(false);
    expect(shown.ca).toBe(false);
    // The most a phone takes, even of an authority it was told to trust.
    expect(Date.parse(shown.validTo) - Date.parse(shown.validFrom)).toBeLessThan(825 * 86_400_000);
  });

  test("an authority vouches for the machine's own address outside as well, once it is known", async () => {
    expect(vouchesFor(authority.certificate, ["benchbox", "10.1.2.3", "fd00::2"])).toBe(true);
    expect(vouchesFor(authority.certificate, ["benchbox", "203.0.113.9"])).toBe(false);
    const wider = await makeAuthority(["benchbox", "203.0.113.9", "2001:db8::7"], now);
    expect(vouchesFor(wider.certificate, ["203.0.113.9", "2001:db8::7", "192.168.1.1"])).toBe(true);
    expect(vouchesFor(wider.certificate, ["203.0.113.10"])).toBe(false);
  });

  test("is kept: a second start shows the same authority, in files that nobody else reads", async () => {
    const folder = join(freshFolder(), "tls");
    const here = namesHere(["bench.local"]);
    const first = await ownIdentity(folder, now, here);
    const second = await ownIdentity(folder, now, here);
    expect(first.names).toEqual(expect.arrayContaining(["bench.local", "localhost", "127.0.0.1"]));
    expect(second.authority).toBe(first.authority);
    expect(first.certificate).toContain(first.authority!.trim());
    for (const name of ["authority.key", "authority.pem"]) {
      expect(existsSync(join(folder, name))).toBe(true);
      expect(statSync(join(folder, name)).mode & 0o077).toBe(0);
    }
    // Another name may be vouched for only by another authority; another private address by the same.
    const named = join(freshFolder(), "tls");
    const before = await ownIdentity(named, now, ["benchbox", "10.0.0.7"]);
    expect((await ownIdentity(named, now, ["benchbox", "10.0.0.8"])).authority).toBe(before.authority);
    expect((await ownIdentity(named, now, ["otherbox", "10.0.0.8"])).authority).not.toBe(before.authority);
    const muchLater = await ownIdentity(folder, new Date(now.getTime() + 3_400 * 86_400_000), here);
    expect(muchLater.authority).not.toBe(first.authority);
    expect(inLines(fingerprint(first.authority!))).toMatch(/^(?:(?:[0-9A-F]{4} ){3}[0-9A-F]{4}\n?){4}$/);
    expect(fingerprint(first.authority!)).toMatch(/^(?:[0-9A-F]{4} ){15}[0-9A-F]{4}$/);
    expect(fingerprint(first.authority!).replaceAll(" ", "")).toBe(
      new X509Certificate(first.authority!).fingerprint256.replaceAll(":", ""),
    );
  });

  test("one that is given is taken with its names; one that does not fit its key is refused in a sentence", async () => {
    const folder = freshFolder();
    const at = (name: string) => join(folder, name);
    const { certificate, key } = await makeServerIdentity(authority, ["bench.lan", "10.0.0.7"], now);
    writeFileSync(at("a.pem"), certificate);
    writeFileSync(at("a.key"), key);
    writeFileSync(at("b.key"), authority.key);
    expect(givenIdentity(at("a.pem"), at("a.key")).names).toEqual(["bench.lan", "10.0.0.7"]);
    expect(() => givenIdentity(at("a.pem"), at("b.key"))).toThrow(
      /^TLS_CERT, TLS_KEY: expected a certificate and the key/,
    );
    expect(() => givenIdentity(at("none.pem"), at("a.key"))).toThrow(
      /^TLS_CERT: expected a file that can be read/,
    );
    expect(() => givenIdentity(at("a.key"), at("a.key"))).toThrow(/^TLS_CERT, TLS_KEY/);
  });
});

test("the page without TLS gives the certificate and where to go on, and claims no proof of it", async () => {
  const authority = await makeAuthority(["benchbox"], now);
  const page = trustPage(() => ({
    certificate: authority.certificate,
    addresses: ["https://10.0.0.7:4170"],
  }));
  const server = createPlainServer(page);
  const { text, headers } = await request(server).get("/").expect(200);
  // Who stands in between could show the right digits beside a wrong certificate: only the device's own word counts.
  expect(text).not.toContain(fingerprint(authority.certificate).slice(0, 9));
  expect(text).toContain('href="https://10.0.0.7:4170"');
  expect(text).not.toContain("<script");
  expect(headers["content-security-policy"]).toContain("default-src 'none'");
  const file = await request(server)
    .get("/anvilcloud.crt")
    .buffer(true)
    .parse((response, done) => {
      const parts: Buffer[] = [];
      response.on("data", (part: Buffer) => parts.push(part));
      response.on("end", () => done(null, Buffer.concat(parts)));
    });
  expect(file.headers["content-type"]).toContain("application/x-x509-ca-cert");
  expect(new X509Certificate(file.body as Buffer).fingerprint256).toBe(
    new X509Certificate(authority.certificate).fingerprint256,
  );
  for (const address of ["/api/jobs", "/jobs/netloft", "/index.html"])
    await request(server).get(address).expect(404);
  await request(server).post("/").expect(404);
});
