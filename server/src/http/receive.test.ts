import { existsSync, readFileSync } from "node:fs";
import { createServer, type IncomingMessage } from "node:http";
import { connect, type AddressInfo, type Socket } from "node:net";
import { join } from "node:path";
import { freshFolder } from "../testing/folders.ts";
import { receive, type Pace } from "./receive.ts";

/** A server that takes one body, once `first` has happened to it; what became of it. */
async function taking(
  sends: (socket: Socket) => void,
  { pace, first }: { pace?: Pace; first?: (body: IncomingMessage) => Promise<void> } = {},
): Promise<{ outcome: string; file: string }> {
  const file = join(freshFolder(), "body");
  const server = createServer();
  await new Promise<void>((up) => server.listen(0, "127.0.0.1", up));
  const outcome = new Promise<string>((told) =>
    server.once("request", (body, response) => {
      const taken = (first?.(body) ?? Promise.resolve()).then(() => receive(body, file, 1_000, pace));
      void taken.then(
        () => told("taken"),
        (error: Error) => told(error.message),
      );
      void taken.catch(() => undefined).then(() => response.end());
    }),
  );
  const socket = connect((server.address() as AddressInfo).port, "127.0.0.1").on("error", () => undefined);
  sends(socket);
  const became = await outcome;
  socket.destroy();
  await new Promise((closed) => server.close(closed));
  return { outcome: became, file };
}

const head = (length: number) => `POST / HTTP/1.1\r\nHost: here\r\nContent-Length: ${length}\r\n\r\n`;
const gone = (body: IncomingMessage) => new Promise<void>((closed) => body.once("close", closed));

test("a body that comes whole is written", async () => {
  const { outcome, file } = await taking((socket) => socket.write(`${head(5)}whole`));
  expect([outcome, readFileSync(file, "utf8")]).toEqual(["taken", "whole"]);
});

test("one that ends too soon is refused, even where it had ended before anybody listened", async () => {
  const cut = (socket: Socket) => socket.write(`${head(900)}{`, () => socket.destroy());
  expect((await taking(cut)).outcome).toMatch(/ended too soon/);
  const { outcome, file } = await taking(cut, { first: gone });
  expect(outcome).toMatch(/ended too soon/);
  expect(existsSync(file)).toBe(false);
});

test("one that drips is refused, however long it would go on", async () => {
  let dripping: NodeJS.Timeout | undefined;
  const drips = (socket: Socket) => {
    socket.write(head(900));
    dripping = setInterval(() => socket.write("x"), 50);
  };
  const { outcome } = await taking(drips, { pace: { graceMs: 100, leastBytesPerS: 10_000 } });
  clearInterval(dripping);
  expect(outcome).toMatch(/at least 10000 bytes a second/);
});

test("one that is too large is refused", async () => {
  const { outcome } = await taking((socket) => socket.write(`${head(2_000)}${"x".repeat(2_000)}`));
  expect(outcome).toMatch(/at most 1000 bytes/);
});
