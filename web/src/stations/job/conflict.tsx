import type { SaveState } from "../../data/index.ts";
import { Button, Dialog, Quiet, Row } from "../../ui/index.ts";
import { Differences } from "../shared/differences.tsx";

interface Props {
  conflict: Extract<SaveState, { kind: "conflict" }>;
  mine: object;
  settle: (keep: "theirs" | "mine") => void;
}

/** Told when the job was changed elsewhere meanwhile: both versions side by side, and a choice. */
export function Conflict({ conflict, mine, settle }: Props) {
  return (
    <Dialog title="This job was changed elsewhere" isOpen>
      <Quiet>
        Another window or person saved version {conflict.current.version} while you worked from an earlier
        one. Nothing of yours is saved yet. Where the two differ:
      </Quiet>
      <Differences
        theirs={conflict.current.job}
        yours={mine}
        heads={["Saved elsewhere", "Yours"]}
        none="They do not differ."
      />
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
