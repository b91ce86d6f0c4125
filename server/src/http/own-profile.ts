import { sentence } from "@anvilcloud/core";
import express, { type Request } from "express";
import type { Knex } from "knex";
import { addOwn, longestJump, removeOwn, type AnyProfile, type Kind } from "../store/profiles.ts";
import { textSentAs } from "./media-type.ts";
import { HttpProblem } from "./problem.ts";

/** Largest profile taken, in bytes; many times the largest sensible one. */
const largestProfile = "1mb";

/** Reads a profile that is sent as text, by a type of its own: any page may send plain text anywhere. */
export const profileText = express.text({
  type: ["application/yaml", "application/x-yaml", "text/yaml"],
  limit: largestProfile,
});

/** The text of a request, which must be one; a JSON or a form body is not read as YAML. */
export const textOf = (request: Request): string => textSentAs(request, "application/yaml");

const named = (kind: Kind, id: string) => `${sentence(kind)} ${JSON.stringify(id)}`;

/** Stores a profile written here; refused with 409 where its revision is taken, or out of reach. */
export async function storeOwn(knex: Knex, kind: Kind, profile: AnyProfile, text: string): Promise<void> {
  const result = await addOwn(knex, kind, profile, text);
  if (result === "stored") return;
  const { newest } = result;
  const taken = profile.revision <= newest;
  const why = taken
    ? "jobs may rest on it, so it stays as it is"
    : `a revision lies at most ${longestJump} past the newest, so that there is always a next one`;
  throw new HttpProblem(
    409,
    taken ? "Revision taken" : "Revision out of reach",
    `revision: expected ${newest + 1}${taken ? " or more" : ` to ${newest + longestJump}`}, found ${profile.revision}. ${named(kind, profile.id)} is here in revision ${newest}; ${why}. Give ${taken ? "a later" : "the next"} revision, or another id.`,
    { newest },
  );
}

/** The revision a request names. */
export function revisionOf(request: Request): number {
  const { revision } = request.query;
  const number = Number(revision);
  if (typeof revision === "string" && Number.isInteger(number) && number >= 1) return number;
  throw new HttpProblem(
    400,
    "Revision not understood",
    `revision: expected a whole number from 1, found ${revision === undefined ? "none" : JSON.stringify(revision)}.`,
  );
}

/** Removes a revision that was written here and that nobody uses; refused with 404 or 409 and the reason. */
export async function dropOwn(knex: Knex, kind: Kind, id: string, revision: number): Promise<void> {
  const result = await removeOwn(knex, kind, { id, revision });
  const which = `${named(kind, id)} of revision ${revision}`;
  if (result === "missing") throw new HttpProblem(404, `No such ${kind}`, `${which} is not here.`);
  if (result === "shipped")
    throw new HttpProblem(409, "Shipped", `${which} came with the program and stays.`);
  if (result === "used")
    throw new HttpProblem(
      409,
      "In use",
      `${which} stays: jobs were made with it. Only what no job uses can be removed.`,
    );
}
