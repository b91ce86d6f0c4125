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
