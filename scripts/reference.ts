import { readFileSync, writeFileSync } from "node:fs";
import { boardJsonSchema, boardReference, deviceJsonSchema, deviceReference } from "@anvilcloud/core";

const root = new URL("../", import.meta.url);
const example = (path: string) => readFileSync(new URL(path, root), "utf8");
const write = (path: string, text: string) => writeFileSync(new URL(`docs/${path}`, root), text);
const json = (schema: object) => `${JSON.stringify(schema, null, 2)}\n`;

write("board-format.md", boardReference(example("boards/copperfold-casspel.yaml")));
write("board.schema.json", json(boardJsonSchema()));
write("device-format.md", deviceReference(example("devices/oddlume-vigil.yaml")));
write("device.schema.json", json(deviceJsonSchema()));
