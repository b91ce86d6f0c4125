import { mainBoard } from "./node.ts";

/** A part of an installation that conducts, feeds or draws. */
export type Part =
  | { kind: "link"; board: string; link: string }
  | { kind: "rail"; board: string; rail: string }
  | { kind: "wire"; wire: string }
  | { kind: "contact"; device: string; contact: string }
  | { kind: "supply"; device: string; supply: string }
  /** A rail that a device makes, such as a converter's output. */
  | { kind: "made-rail"; device: string; rail: string };

/** A contact of a device. */
export type ContactPart = Extract<Part, { kind: "contact" }>;
/** A rail, of the board or of a device. */
export type RailPart = Extract<Part, { kind: "rail" | "made-rail" }>;

declare const partKeyed: unique symbol;

/** A part as a key of maps and records; made by `partKey` alone and never taken apart. */
export type PartKey = string & { readonly [partKeyed]: true };

export const linkPart = (link: string, board = mainBoard): Part => ({ kind: "link", board, link });
export const railPart = (rail: string, board = mainBoard): RailPart => ({ kind: "rail", board, rail });
export const wirePart = (wire: string): Part => ({ kind: "wire", wire });
export const contactPart = (device: string, contact: string): ContactPart => ({
  kind: "contact",
  device,
  contact,
});
export const supplyPart = (device: string, supply: string): Part => ({ kind: "supply", device, supply });
export const madeRailPart = (device: string, rail: string): RailPart => ({
  kind: "made-rail",
  device,
  rail,
});

/** The key of a part: alike for the same part, different for any two others. */
export function partKey(part: Part): PartKey {
  switch (part.kind) {
    case "link":
      return `link ${part.board} ${part.link}` as PartKey;
    case "rail":
      return `rail ${part.board} ${part.rail}` as PartKey;
    case "wire":
      return `wire ${part.wire}` as PartKey;
    case "contact":
      return `contact ${part.device} ${part.contact}` as PartKey;
    case "supply":
      return `supply ${part.device} ${part.supply}` as PartKey;
    case "made-rail":
      return `made-rail ${part.device} ${part.rail}` as PartKey;
  }
}

/** True for the same part. */
export const samePart = (a: Part, b: Part): boolean => partKey(a) === partKey(b);
