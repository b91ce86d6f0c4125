import { readConfig } from "./config.ts";

test("listens on loopback at its own port unless told otherwise", () => {
  expect(readConfig({})).toMatchObject({ host: "127.0.0.1", port: 4170, demo: false, logLevel: "info" });
  expect(readConfig({ HOST: "0.0.0.0", PORT: "80", DEMO: "1", DATABASE: "/tmp/x.db" })).toMatchObject({
    host: "0.0.0.0",
    port: 80,
    demo: true,
    database: "/tmp/x.db",
  });
});

test("an empty PORT is no PORT", () => {
  expect(readConfig({ PORT: "" }).port).toBe(4170);
});

test.each(["-1", "70000", "four", "1.5"])("PORT %p is refused with what was found", (port) => {
  expect(() => readConfig({ PORT: port })).toThrow(
    `PORT: expected a whole number from 0 to 65535, found "${port}"`,
  );
});

describe("beyond loopback", () => {
  test.each(["127.0.0.1", "127.8.8.8", "localhost", "::1", ""])(
    "HOST %p is reached from this machine only",
    (host) => {
      expect(readConfig({ HOST: host }).beyond).toBeUndefined();
    },
  );

  test.each(["0.0.0.0", "::", "10.0.0.7", "bench.local", "127.evil.example"])(
    "HOST %p is reached by others",
    (host) => {
      expect(readConfig({ HOST: host, DATABASE: "/x/y.db" }).beyond).toEqual({
        made: "/x/tls",
        trustPort: 4171,
      });
    },
  );

  test("passphrase, certificate and port are taken as they are given; half a certificate is none", () => {
    const env = { HOST: "::", PASSPHRASE: "p", TLS_CERT: "/a.pem", TLS_KEY: "/a.key", TRUST_PORT: "81" };
    expect(readConfig(env).beyond).toMatchObject({
      passphrase: "p",
      tls: { certificate: "/a.pem", key: "/a.key" },
      trustPort: 81,
    });
    expect(() => readConfig({ ...env, TLS_KEY: "" })).toThrow(
      "TLS_KEY: expected a file beside TLS_CERT, found none",
    );
    expect(() => readConfig({ ...env, TLS_CERT: "" })).toThrow("TLS_CERT: expected a file beside TLS_KEY");
    expect(() => readConfig({ ...env, TRUST_PORT: "x" })).toThrow(
      'TRUST_PORT: expected a whole number from 0 to 65535, found "x"',
    );
  });
});
