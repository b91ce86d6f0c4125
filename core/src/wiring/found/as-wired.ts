import { commonTerminals, type BoardProfile } from "../../board/index.ts";
import { readCircuit } from "../../circuit/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { nodeKey, terminalIn, type Seat } from "../../node/index.ts";
import { crowdFindings } from "../cores/index.ts";
import { differencesOf, effectOf, effectText } from "./difference.ts";
import { shortFindings, supplyFindings } from "./found-circuit.ts";
import { lostEarth, onMains, reversedSource, wrongOutput, wrongSource } from "./found-places.ts";
import { subjectsOf, type AsWired } from "./found.ts";
import { harmlessExchanges } from "./harmless.ts";
import { exchangedLeads } from "./motor-leads.ts";
import { swappedPlugs } from "./swapped-plugs.ts";

/** Whether two places are one point on the board, so that a core on the one is as good as on the other. */
function samePoint(board: BoardProfile, a: Seat, b: Seat): boolean {
  const [one, other] = [terminalIn(a), terminalIn(b)];
  if (one === undefined || other === undefined) return false;
  const points = [
    ...board.inputs.map((input) => commonTerminals(board, input)),
    ...board.rails.flatMap((rail) => [rail.plus, rail.minus, rail.third ?? []]),
  ];
  return points.some((terminals) => terminals.includes(one) && terminals.includes(other));
}

/**
 * What is wrong with the wiring as it was found: each core elsewhere than planned with what that does, unless a graver
 * finding explains it; what the circuit makes of it once power comes on; traps 5, 20, 37, 42 and 44.
 */
export function asWiredFindings(as: AsWired): Finding[] {
  const { at, wiring, sits } = as;
  if (!Object.keys(sits).length) return [];
  const { board } = at;
  const readings = readCircuit({ ...at, powered: true });
  const plugs = swappedPlugs(board, as);
  const leads = exchangedLeads(as);
  const told = new Set([...plugs.pins, ...leads.pins]);
  const single = differencesOf(wiring.devices, wiring.cores, sits).filter(
    ({ pin }) => !told.has(nodeKey(pin)),
  );
  const safe = single.filter(
    (difference) => !onMains(board, difference).length && !lostEarth(as, difference).length,
  );
  const harmless = harmlessExchanges(at, wiring.devices, safe);
  const differences = single.filter(({ pin }) => !harmless.pins.has(nodeKey(pin)));
  const misplaced = differences.flatMap((difference): Finding[] => {
    const grave = [
      ...onMains(board, difference),
      ...lostEarth(as, difference),
      ...reversedSource(as, difference),
      ...wrongOutput(as, difference),
    ];
    if (grave.length) return grave;
    const same = difference.planned && samePoint(board, difference.found, difference.planned.to);
    const changes = same ? [] : effectOf(at, wiring.devices, difference);
    return [
      finding(same ? "core-elsewhere" : "core-misplaced", subjectsOf(difference), {
        device: difference.deviceName,
        core: difference.core,
        found: difference.foundText,
        planned: difference.plannedText,
        effect: effectText(changes),
      }),
    ];
  });
  return [
    ...plugs.codes,
    ...leads.codes,
    ...misplaced,
    ...harmless.codes,
    ...supplyFindings(
      wiring.devices.filter(({ id }) => !leads.drives.includes(id)),
      at,
    ),
    ...wrongSource(as, wiring.devices),
    ...shortFindings(at, wiring.devices, readings, at.wires),
    ...crowdFindings(board, at.wires, at.linksIn),
  ];
}
