import { z } from "zod";
import { dutySchema, loadDutySchema, restSchema } from "../board/index.ts";
import { extraLowVolts, ownId } from "../quantity/index.ts";
import { deviceKinds, type DeviceProfile } from "./schema.ts";

const figure = (what: string, most: number) =>
  z.number(`a number in ${what}`).min(0, `0 ${what} or more`).max(most, `at most ${most} ${what}`);

/** What has to be known of a device to plan with it: one contact, one supply, or both. */
export const sketchSchema = z
  .strictObject({
    name: z.string().trim().min(1, "a name").max(80, "at most 80 characters"),
    kind: z.enum(deviceKinds),
    contact: z
      .strictObject({
        duty: dutySchema,
        rest: restSchema,
        tripped: z.string().trim().min(1, "what trips it, in words").max(80, "at most 80 characters"),
      })
      .optional(),
    supply: z
      .strictObject({
        duty: loadDutySchema,
        kind: z.enum(["dc", "ac", "either"]),
        minVolts: figure("V", 420).positive("over 0 V"),
        maxVolts: figure("V", 420).positive("over 0 V"),
        restMilliamps: figure("mA", 20_000),
        workingMilliamps: figure("mA", 20_000),
        inrushMilliamps: figure("mA", 20_000).optional(),
        lives: z.enum(["any", "always", "switched"]),
      })
      .refine(({ minVolts, maxVolts }) => minVolts <= maxVolts, {
        path: ["maxVolts"],
        message: "at least the volts it needs",
      })
      .optional(),
  })
  .refine(({ contact, supply }) => contact ?? supply, {
    path: ["contact"],
    message: "a contact, a supply, or both: a device without pins cannot be wired",
  });

export type DeviceSketch = z.output<typeof sketchSchema>;

/** True where what is fed so has to be earthed. */
const isOnMains = ({ kind, maxVolts }: { kind: "dc" | "ac" | "either"; maxVolts: number }) =>
  maxVolts > extraLowVolts[kind === "dc" ? "dc" : "ac"];

/** A device profile from what someone knows of a device: its pins named by what they are for, core colours to be noted on site. */
export function deviceFrom({ name, kind, contact, supply }: DeviceSketch): DeviceProfile {
  const earthed = supply !== undefined && isOnMains(supply);
  return {
    format: "anvilcloud/device@1",
    id: ownId(name, "device"),
    name: name.trim(),
    maker: "own",
    revision: 1,
    kind,
    source: { from: "seen on site" },
    parts: [{ id: "unit", label: "unit", strands: "flexible" }],
    pins: [
      ...(supply
        ? [
            { id: "plus", label: supply.kind === "ac" ? "~" : "+", part: "unit", core: "RD" as const },
            {
              id: "minus",
              label: supply.kind === "ac" ? "~ return" : "−",
              part: "unit",
              core: "BK" as const,
            },
          ]
        : []),
      ...(earthed ? [{ id: "earth", label: "protective earth", part: "unit", core: "GNYE" as const }] : []),
      ...(contact
        ? [
            { id: "a", label: "contact a", part: "unit", core: "WH" as const },
            { id: "b", label: "contact b", part: "unit", core: "BN" as const },
          ]
        : []),
    ],
    ...(earthed ? { earth: "earth" } : {}),
    doubleInsulated: false,
    lamps: [],
    jumpers: [],
    keyed: false,
    wiring: [],
    contacts: contact
      ? [
          {
            id: "contact",
            duty: contact.duty,
            rest: contact.rest,
            pins: ["a", "b"],
            tripped: contact.tripped,
            ...(supply ? { supply: "supply" } : {}),
          },
        ]
      : [],
    listens: [],
    supplies: supply
      ? [
          {
            id: "supply",
            duty: supply.duty,
            kind: supply.kind,
            volts: { min: supply.minVolts, max: supply.maxVolts },
            milliamps: {
              rest: supply.restMilliamps,
              working: supply.workingMilliamps,
              ...(supply.inrushMilliamps === undefined ? {} : { inrush: supply.inrushMilliamps }),
            },
            lives: supply.lives,
            ownSpur: false,
            suppression: "none",
            pins: { plus: "plus", minus: "minus" },
          },
        ]
      : [],
    provides: [],
  };
}
