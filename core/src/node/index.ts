export {
  jointNode,
  mainBoard,
  nodeKey,
  nodeWord,
  pinNode,
  poleNode,
  sameNode,
  sameSeat,
  terminalIn,
  terminalNode,
} from "./node.ts";
export type { Node, NodeKey, PinNode, Seat, TerminalNode } from "./node.ts";
export {
  contactPart,
  linkPart,
  madeRailPart,
  partKey,
  railPart,
  samePart,
  supplyPart,
  wirePart,
} from "./part.ts";
export type { ContactPart, Part, PartKey, RailPart } from "./part.ts";
