import { pino, type DestinationStream, type Logger } from "pino";

/** What would let whoever reads the log in: it is left out of it. */
const secrets = ["req.headers.cookie", "req.headers.authorization", 'res.headers["set-cookie"]'];

/** The log of the server, one line of JSON each. */
export function createLogger(level: string, to?: DestinationStream): Logger {
  return pino({ level, redact: { paths: secrets, censor: "left out" } }, to as DestinationStream);
}
