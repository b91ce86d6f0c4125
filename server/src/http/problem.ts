import { ProblemsError, type Problem } from "@anvilcloud/core";
import type { ErrorRequestHandler, Response } from "express";
import { faultOf, type Fault } from "../db/faults.ts";
import { NotJson } from "../work/json.ts";
import { Overloaded } from "../work/overloaded.ts";

/** An answer that says what was wrong with the request, as RFC 9457 problem details. */
export class HttpProblem extends Error {
  readonly status: number;
  readonly title: string;
  readonly extra: Record<string, unknown>;
  constructor(status: number, title: string, detail: string, extra: Record<string, unknown> = {}) {
    super(detail);
    this.name = "HttpProblem";
    this.status = status;
    this.title = title;
    this.extra = extra;
  }
}

function sendProblem(
  response: Response,
  status: number,
  title: string,
  detail: string,
  extra: Record<string, unknown> = {},
): void {
  response
    .status(status)
    .type("application/problem+json")
    .send(JSON.stringify({ type: "about:blank", title, status, detail, ...extra }));
}

/** Errors of the body parser and the router carry a status of their own. */
interface StatusError {
  status: number;
  type?: string;
  limit?: number;
}

function hasStatus(error: unknown): error is StatusError {
  return typeof error === "object" && error !== null && typeof (error as StatusError).status === "number";
}

const parserTitles: Record<string, [string, (error: StatusError) => string]> = {
  "entity.too.large": [
    "Body too large",
    (error) => `The body may have at most ${error.limit} bytes. Send less.`,
  ],
  "encoding.unsupported": [
    "Encoding not supported",
    () => "Send the body without a content encoding, or with gzip.",
  ],
  "charset.unsupported": ["Charset not supported", () => "Send the body in UTF-8."],
};

/** When to try again where another process holds the database, s. */
const busyRetryS = 2;

/** What the database's state means for a request. */
const faults: Record<Fault, [status: number, title: string, detail: string]> = {
  busy: [
    503,
    "Database in use",
    "Another program holds the database just now. Nothing was saved; try again in a moment.",
  ],
  full: [
    507,
    "No room left",
    "The disk that holds the database is full. Nothing was saved. Make room on it, then try again.",
  ],
  readonly: [
    500,
    "Database read-only",
    "The database cannot be written. Nothing was saved; look at its rights.",
  ],
  damaged: [
    500,
    "Database damaged",
    "The database is damaged. Nothing was saved. Stop the server and put a backup in its place with npm run restore.",
  ],
  foreign: [
    500,
    "Database damaged",
    "The database is no database any more. Nothing was saved. Stop the server and put a backup in its place with npm run restore.",
  ],
  unreachable: [
    500,
    "Database out of reach",
    "The database's file or disk cannot be read or written. Nothing was saved; look at the disk and its rights.",
  ],
};

/** An error as the problem it is told as; undefined for a fault of the program itself. */
function problemOf(error: unknown): HttpProblem | undefined {
  if (error instanceof HttpProblem) return error;
  if (error instanceof ProblemsError) {
    const problems: Problem[] = error.problems;
    return new HttpProblem(422, "Not as the format wants it", error.message, { problems });
  }
  if (error instanceof NotJson) return new HttpProblem(400, "Not JSON", error.message);
  if (error instanceof Overloaded)
    return new HttpProblem(503, "Too much to do", error.message, { retryAfter: error.retryAfterS });
  const fault = faultOf(error);
  if (fault) {
    const [status, title, detail] = faults[fault];
    return new HttpProblem(status, title, detail, fault === "busy" ? { retryAfter: busyRetryS } : {});
  }
  if (!hasStatus(error) || error.status < 400 || error.status >= 500) return undefined;
  const [title, detail] = parserTitles[error.type ?? ""] ?? [
    "Bad request",
    () => "The request could not be read.",
  ];
  return new HttpProblem(error.status, title, detail(error));
}

/** What went wrong once an answer had begun, in a sentence: it can only be told as the last line of it. */
export const toldLate = (error: unknown): string =>
  problemOf(error)?.message ?? "Something went wrong in the program. Nothing was saved.";

/** The last handler: every error leaves as problem details; only faults of the program itself and of its disk are 500. */
export const problemHandler: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) return next(error);
  const problem =
    problemOf(error) ??
    new HttpProblem(500, "Unexpected error", "Something went wrong in the program. Nothing was saved.");
  const { status, title, message, extra } = problem;
  if (status === 500 || status === 507) request.log?.error({ err: error }, "unexpected error");
  if (typeof extra.retryAfter === "number") response.set("Retry-After", String(extra.retryAfter));
  sendProblem(response, status, title, message, extra);
};
