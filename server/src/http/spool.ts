import { randomUUID } from "node:crypto";
import { mkdir, readdir, rm } from "node:fs/promises";
import { join } from "node:path";
import type { Request } from "express";
import { Overloaded } from "../work/overloaded.ts";
import { wrongType } from "./media-type.ts";
import { HttpProblem } from "./problem.ts";
import { receive, tooLarge } from "./receive.ts";

function checkKind(request: Request): void {
  if (!request.is("application/json")) throw wrongType(request, "application/json");
  if ((request.get("Content-Encoding") ?? "identity") !== "identity")
    throw new HttpProblem(415, "Encoding not supported", "Send the body without a content encoding.");
}

/** Job files that may arrive at once: each may take a gigabyte of the disk. */
const mostArriving = 4;
/** When to send one again where as many arrive, s. */
const retryAfterS = 30;
let arriving = 0;

/** A file that is made here, and nobody else's. */
const isSpooled = (name: string) => /^[0-9a-f-]{36}\.job$/.test(name);

/** Takes away what was arriving when the server was killed, and nothing else. */
export async function clearSpool(folder: string): Promise<void> {
  const left = await readdir(folder).catch(() => []);
  for (const name of left.filter(isSpooled)) await rm(join(folder, name), { force: true });
}

/** Writes a JSON body to a file as it comes, has it used, and takes the file away again, whatever happens. */
export async function spooled<T>(
  request: Request,
  { folder, most }: { folder: string; most: number },
  use: (file: string) => Promise<T>,
): Promise<T> {
  checkKind(request);
  if (Number(request.get("Content-Length") ?? 0) > most) throw tooLarge(most);
  if (arriving >= mostArriving)
    throw new Overloaded(
      "Too many job files arrive just now. Nothing was imported; try again in a moment.",
      retryAfterS,
    );
  const file = join(folder, `${randomUUID()}.job`);
  arriving += 1;
  try {
    await mkdir(folder, { recursive: true });
    await receive(request, file, most);
    return await use(file);
  } finally {
    arriving -= 1;
    await rm(file, { force: true });
  }
}
