import { differences, type SaveState } from "../../data/index.ts";
import { Button, Dialog, Quiet, Row, Scroll, Table } from "../../ui/index.ts";

interface Props {
  conflict: Extract<SaveState, { kind: "conflict" }>;
  mine: object;
  settle: (keep: "theirs" | "mine") => void;
}

/** Told when the job was changed elsewhere meanwhile: both versions side by side, and a choice. */
export function Conflict({ conflict, mine, settle }: Props) {
  const rows = differences(conflict.current.job, mine);
  return (
    <Dialog title="This job was changed elsewhere" isOpen>
      <Quiet>
        Another window or person saved version {conflict.current.version} while you worked from an earlier
        one. Nothing of yours is saved yet. Where the two differ:
      </Quiet>
      <Scroll>
        <Table>
          <thead>
            <tr>
              <th>Where</th>
              <th>Saved elsewhere</th>
              <th>Yours</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.path}>
                <td>{row.path}</td>
                <td>{row.theirs}</td>
                <td>{row.yours}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </Scroll>
      <Row style={{ justifyContent: "flex-end", marginTop: 16 }}>
        <Button $kind="outlined" onPress={() => settle("theirs")}>
          Take the saved one
        </Button>
        <Button $kind="filled" onPress={() => settle("mine")}>
          Save mine over it
        </Button>
      </Row>
    </Dialog>
  );
}
