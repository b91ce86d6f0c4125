import { useState } from "react";
import { setShortcutsOn, shortcutsOn } from "../../ui/index.ts";
import { Dialog, Mark, Quiet, Table, Toggle } from "../../ui/index.ts";

const keys: [string, string][] = [
  ["s", "Seen, and on to the next step"],
  ["n", "Not seen"],
  ["j or →", "Next step"],
  ["k or ←", "Step before"],
  ["t", "Start or stop the timer of a hold"],
  ["1 to 9", "Go to that station"],
  ["/ or Ctrl+K", "Find: any job, station, device, terminal or board"],
  ["Ctrl+Z", "Take back the last thing done"],
  ["?", "This list"],
];

/** The shortcuts, and a switch for people whose words would press keys. */
export function ShortcutHelp({ isOpen, onClose }: { isOpen: boolean; onClose: () => void }) {
  const [on, setOn] = useState(shortcutsOn);
  return (
    <Dialog title="Keys" isOpen={isOpen} onClose={onClose}>
      <Table>
        <tbody>
          {keys.map(([key, what]) => (
            <tr key={key}>
              <td>
                <Mark>{key}</Mark>
              </td>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      <Quiet style={{ marginTop: 12 }}>On the bench: Tab reaches the board, arrow keys walk its parts.</Quiet>
      <Toggle
        label="Single keys act"
        value={on}
        onChange={(next) => {
          setOn(next);
          setShortcutsOn(next);
        }}
      />
    </Dialog>
  );
}
