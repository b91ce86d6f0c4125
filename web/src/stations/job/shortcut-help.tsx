import { useState } from "react";
import { setShortcutsOn, shortcutsOn } from "../../ui/index.ts";
import { DataTable, Dialog, Mark, Quiet, Toggle } from "../../ui/index.ts";

const keys: { key: string; what: string }[] = [
  { key: "s", what: "Seen, and on to the next step" },
  { key: "n", what: "Not seen" },
  { key: "j or →", what: "Next step" },
  { key: "k or ←", what: "Step before" },
  { key: "t", what: "Start or stop the timer of a hold" },
  { key: "1 to 9", what: "Go to that station" },
  { key: "/ or Ctrl+K", what: "Find: any job, station, device, terminal or board" },
  { key: "Ctrl+Z", what: "Take back the last thing done" },
  { key: "?", what: "This list" },
];

/** The shortcuts, and a switch for people whose words would press keys. */
export function ShortcutHelp({ isOpen, onClose }: { isOpen: boolean; onClose: () => void }) {
  const [on, setOn] = useState(shortcutsOn);
  return (
    <Dialog title="Keys" isOpen={isOpen} onClose={onClose}>
      <DataTable
        label="Keys"
        rows={keys}
        rowKey={({ key }) => key}
        columns={[
          { id: "key", head: "Key", cell: ({ key }) => <Mark>{key}</Mark>, width: "25%", phone: "first" },
          { id: "what", head: "What it does", cell: ({ what }) => what, phone: "below" },
        ]}
      />
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
