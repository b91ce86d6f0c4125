import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { basename, join } from "node:path";
import {
  boardJsonSchema,
  deviceJsonSchema,
  presetSchema,
  readBoard,
  readDevice,
  readPreset,
} from "@anvilcloud/core";
import type { Knex } from "knex";
import { z } from "zod";
import { putShipped, retireOthers, shippedDigests } from "../store/profiles.ts";

function yamlFiles(folder: string): { file: string; text: string }[] {
  return readdirSync(folder)
    .filter((file) => file.endsWith(".yaml"))
    .map((file) => ({ file, text: readFileSync(join(folder, file), "utf8") }));
}

const kinds = [
  { kind: "board", folder: "boards", read: readBoard, schema: boardJsonSchema },
  { kind: "device", folder: "devices", read: readDevice, schema: deviceJsonSchema },
  { kind: "preset", folder: "presets", read: readPreset, schema: () => z.toJSONSchema(presetSchema) },
] as const;

/**
 * Puts every shipped board, device and preset into the catalogue. A file that was stored by an earlier start, word for word and
 * by the same schema, is not read again; what an earlier version shipped and this one does not is retired. A file is
 * called by the id within. Throws ProblemsError where a file contradicts itself.
 */
export async function loadShipped(knex: Knex, root: string): Promise<void> {
  const known = await shippedDigests(knex);
  for (const { kind, folder, read, schema } of kinds) {
    const format = JSON.stringify(schema());
    const files = yamlFiles(join(root, folder));
    for (const { file, text } of files) {
      const digest = createHash("sha256").update(format).update(text).digest("hex");
      if (!known.has(digest)) await putShipped(knex, kind, read(text, `${folder}/${file}`), text, digest);
    }
    await retireOthers(
      knex,
      kind,
      files.map(({ file }) => basename(file, ".yaml")),
    );
  }
}
