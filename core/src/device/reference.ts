import { z } from "zod";
import { formatKeys } from "../board/index.ts";
import { deviceSchema } from "./schema.ts";

/** The published JSON Schema of a device profile. */
export function deviceJsonSchema(): object {
  return z.toJSONSchema(deviceSchema, { io: "input" });
}

/** The reference page of the device format, made from the descriptions in its schema, with `example` as its worked example. */
export function deviceReference(example: string): string {
  return `${[
    "# Device profiles: `anvilcloud/device@1`",
    "<!-- Made by `npm run reference` from the schema itself. Change the schema, not this page. -->",
    "One YAML file describes one device. Whatever has a default may be left out. [The schema](device.schema.json) lets an editor complete and check a file.",
    "Beyond the schema a profile must not contradict itself: every pin, part and supply it names must be there, no pin is both ends of one thing, and a device has two pins or talks by radio.",
    "## A worked example",
    "A photocell that the board can test by switching its sender off:",
    `\`\`\`yaml\n${example.trimEnd()}\n\`\`\``,
    ...formatKeys(deviceJsonSchema()),
  ].join("\n\n")}\n`;
}
