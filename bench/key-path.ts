import { fitBoard } from "../core/src/board/index.ts";
import { keyPath, panelAlone } from "../core/src/panel/index.ts";
import { farValues, graphOf, pathByPackage } from "../core/src/testing/graph-path.ts";
import { shippedBoard } from "../core/src/testing/shipped.ts";
import { medianMs, report } from "./measure.ts";

/** Key paths on the largest shipped menu, against the same by a general graph package; the same length, or it says so. */
export async function benchKeyPath(): Promise<void> {
  const board = fitBoard(shippedBoard("osierbeck-quernish"), { firmware: "15" });
  const ours = () => farValues.map((change) => keyPath(board, panelAlone(true), change)?.ms);
  const theirs = () => farValues.map((change) => pathByPackage(board, change));
  if (ours().join() !== theirs().join()) process.stdout.write("key paths: not the same length\n");
  const oursMs = await medianMs(9, () => void ours());
  report(
    "key path on the largest menu, time of a general graph package against ours",
    (await medianMs(5, () => void theirs())) / oursMs,
    "budget: at least 5",
  );
  const graphs = farValues.map((change) => graphOf(board, change));
  const search = () => farValues.map((change, n) => pathByPackage(board, change, graphs[n]));
  report(
    "  the package's search alone, in a graph made before, against ours with the menus explored",
    (await medianMs(9, () => void search())) / oursMs,
    "for comparison",
  );
}
