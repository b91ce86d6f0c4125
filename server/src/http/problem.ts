import { ProblemsError, type Problem } from "@anvilcloud/core";
import type { ErrorRequestHandler, Response } from "express";

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

/** The last handler: every error leaves as problem details; only faults of the program itself are 500. */
export const problemHandler: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) return next(error);
  if (error instanceof HttpProblem)
    return sendProblem(response, error.status, error.title, error.message, error.extra);
  if (error instanceof ProblemsError) {
    const problems: Problem[] = error.problems;
    return sendProblem(response, 422, "Not as the format wants it", error.message, { problems });
  }
  if (hasStatus(error) && error.status >= 400 && error.status < 500) {
    const [title, detail] = parserTitles[error.type ?? ""] ?? [
      "Bad request",
      () => "The request could not be read.",
    ];
    return sendProblem(response, error.status, title, detail(error));
  }
  request.log?.error({ err: error }, "unexpected error");
  sendProblem(response, 500, "Unexpected error", "Something went wrong in the program. Nothing was saved.");
};
