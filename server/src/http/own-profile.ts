import type { BoardProfile, DeviceProfile } from "@anvilcloud/core";
import express, { type Request } from "express";
import type { Knex } from "knex";
import { addOwn, newestRevision } from "../store/profiles.ts";
import { HttpProblem } from "./problem.ts";

/** Largest profile taken, in bytes; many times the largest sensible one. */
const largestProfile = "1mb";

/** Reads a profile that is sent as text. */
export const profileText = express.text({
  type: ["application/yaml", "application/x-yaml", "text/yaml", "text/plain"],
  limit: largestProfile,
});

/** The text of a request, which must be one; a JSON or a form body is not read as YAML. */
export function textOf(request: Request): string {
  if (typeof request.body === "string") return request.body;
  throw new HttpProblem(
    415,
    "Not a profile's text",
    "Send the profile as text with Content-Type: application/yaml.",
  );
}

/** Stores a profile written here; refused with 409 where its revision is taken. */
export async function storeOwn(
  knex: Knex,
  kind: "board" | "device",
  profile: BoardProfile | DeviceProfile,
  text: string,
): Promise<void> {
  if (await addOwn(knex, kind, profile, text)) return;
  const newest = (await newestRevision(knex, kind, profile.id)) ?? profile.revision;
  const what = kind === "board" ? "Board" : "Device";
  throw new HttpProblem(
    409,
    "Revision taken",
    `revision: expected ${newest + 1} or more, found ${profile.revision}. ${what} ${JSON.stringify(profile.id)} is here in revision ${newest}; jobs may rest on it, so it stays as it is. Give a later revision, or another id.`,
    { newest },
  );
}
