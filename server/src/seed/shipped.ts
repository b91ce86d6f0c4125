import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { readBoard, readDevice } from "@anvilcloud/core";
import type { Knex } from "knex";
import { putShipped } from "../store/profiles.ts";

function yamlFiles(folder: string): { file: string; text: string }[] {
  return readdirSync(folder)
    .filter((file) => file.endsWith(".yaml"))
    .map((file) => ({ file, text: readFileSync(join(folder, file), "utf8") }));
}

/** Puts every shipped board and device into the catalogue. Throws ProblemsError where a file contradicts itself. */
export async function loadShipped(knex: Knex, root: string): Promise<void> {
  for (const { file, text } of yamlFiles(join(root, "boards")))
    await putShipped(knex, "board", readBoard(text, `boards/${file}`), text);
  for (const { file, text } of yamlFiles(join(root, "devices")))
    await putShipped(knex, "device", readDevice(text, `devices/${file}`), text);
}
