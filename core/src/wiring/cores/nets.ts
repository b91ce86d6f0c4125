import type { BoardProfile } from "../../board/index.ts";
import { nodeKey, nodeWord, terminalIn, terminalNode, type NodeKey } from "../../node/index.ts";
import type { Core } from "./cores.ts";

/** Points that are one: terminals joined on the board, connectors, and the cores that end there. */
export interface Net {
  id: string;
  label: string;
  terminals: string[];
  cores: string[];
}

/** What the board's own copper joins, with what it is called. */
function points(board: BoardProfile): { label: string; terminals: string[] }[] {
  const rails = board.rails.flatMap((rail) => {
    const [plus, minus] = rail.kind === "dc" ? ["+", "−"] : ["~", "~ return"];
    return [
      { label: `${rail.label} ${plus}`, terminals: rail.plus },
      { label: `${rail.label} ${minus}`, terminals: rail.minus },
      ...(rail.third ? [{ label: `${rail.label}, third pole`, terminals: rail.third }] : []),
    ];
  });
  const commons = board.commons.map(({ id, terminals }) => ({ label: `Common, ${id}`, terminals }));
  const inputs = board.inputs.map(({ label, terminal }) => ({ label, terminals: [terminal] }));
  return [...commons, ...rails, ...inputs];
}

/** Connectors, and pins of other devices, each a net of its own. */
function netsOffBoard(cores: readonly Core[]): Net[] {
  const nets = new Map<NodeKey, Net>();
  for (const { to, id } of cores) {
    if (to.kind === "terminal") continue;
    const net = nets.get(nodeKey(to)) ?? { id: nodeKey(to), label: nodeWord(to), terminals: [], cores: [] };
    net.cores.push(id);
    nets.set(nodeKey(to), net);
  }
  return [...nets.values()];
}

/** Every net on which a core ends, in the order of the board; terminals that two names share make one net. */
export function netsOf(board: BoardProfile, cores: readonly Core[]): Net[] {
  const nets: Net[] = [];
  const add = (label: string, terminals: readonly string[]) => {
    const met = nets.filter((net) => net.terminals.some((each) => terminals.includes(each)));
    const [first] = met;
    if (!first) {
      nets.push({ id: terminals.join("+"), label, terminals: [...terminals], cores: [] });
      return;
    }
    for (const other of met.slice(1)) {
      first.terminals.push(...other.terminals);
      nets.splice(nets.indexOf(other), 1);
    }
    first.terminals = [...new Set([...first.terminals, ...terminals])];
  };
  for (const { label, terminals } of points(board)) add(label, terminals);
  for (const core of cores) {
    const terminal = terminalIn(core.to);
    if (terminal !== undefined && !nets.some((net) => net.terminals.includes(terminal)))
      add(terminal, [terminal]);
  }
  for (const net of nets) {
    const places = new Set(net.terminals.map((id) => nodeKey(terminalNode(id))));
    net.cores = cores.filter((core) => places.has(nodeKey(core.to))).map((core) => core.id);
  }
  return [...nets.filter((net) => net.cores.length), ...netsOffBoard(cores)];
}
