/** The only board of a job so far; a job of two boards names each. */
export const mainBoard = "main";

/** A place in the circuit, where cores end and voltages are measured. */
export type Node =
  | { kind: "terminal"; board: string; terminal: string }
  /** A pole of what feeds a board, at the far end of its spur. */
  | { kind: "pole"; board: string; pole: string }
  | { kind: "pin"; device: string; pin: string }
  /** A connector in the cabinet, where chained contacts meet. */
  | { kind: "joint"; joint: string };

/** A terminal of a board. */
export type TerminalNode = Extract<Node, { kind: "terminal" }>;
/** A pin of a device. */
export type PinNode = Extract<Node, { kind: "pin" }>;

declare const nodeKeyed: unique symbol;

/** A node as a key of maps and records; made by `nodeKey` alone and never taken apart. */
export type NodeKey = string & { readonly [nodeKeyed]: true };

export const terminalNode = (terminal: string, board = mainBoard): TerminalNode => ({
  kind: "terminal",
  board,
  terminal,
});
export const poleNode = (pole: string, board = mainBoard): Node => ({ kind: "pole", board, pole });
export const pinNode = (device: string, pin: string): PinNode => ({ kind: "pin", device, pin });
export const jointNode = (joint: string): Node => ({ kind: "joint", joint });

/** The key of a node: alike for the same place, different for any two others. No id has a space in it. */
export function nodeKey(node: Node): NodeKey {
  switch (node.kind) {
    case "terminal":
      return `terminal ${node.board} ${node.terminal}` as NodeKey;
    case "pole":
      return `pole ${node.board} ${node.pole}` as NodeKey;
    case "pin":
      return `pin ${node.device} ${node.pin}` as NodeKey;
    case "joint":
      return `joint ${node.joint}` as NodeKey;
  }
}

/** True for the same place. */
export const sameNode = (a: Node, b: Node): boolean => nodeKey(a) === nodeKey(b);

/** The terminal's id where the node is one; undefined for any other place. */
export const terminalIn = (node: Seat | undefined): string | undefined =>
  node && node !== "off" && node.kind === "terminal" ? node.terminal : undefined;

/** Where a core sits: on a place, or off, when it hangs loose. */
export type Seat = Node | "off";

/** True for the same seat, off included. */
export const sameSeat = (a: Seat, b: Seat): boolean =>
  a === "off" || b === "off" ? a === b : sameNode(a, b);

/** A node in one word, as the ids of steps and cores are made of: "F3", "J1", "converter/out-plus". No key: use `nodeKey`. */
export function nodeWord(node: Node): string {
  switch (node.kind) {
    case "terminal":
      return node.terminal;
    case "joint":
      return node.joint;
    case "pole":
      return node.pole;
    case "pin":
      return `${node.device}/${node.pin}`;
  }
}
