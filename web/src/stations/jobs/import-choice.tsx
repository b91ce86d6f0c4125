import type { ImportMeets } from "@anvilcloud/core";
import { differences, type ImportAs } from "../../data/index.ts";
import { Button, Dialog, Quiet, Row } from "../../ui/index.ts";
import { Differences } from "../shared/differences.tsx";

const entries = (count: number) => `${count} ${count === 1 ? "entry" : "entries"}`;

function logText({ onlyHere, onlyFile, unlike }: ImportMeets["log"]): string {
  if (unlike)
    return `${entries(unlike)} of the two logs say different things under one id: the file can only be taken as a copy.`;
  if (!onlyHere && !onlyFile) return "Both logs are the same.";
  return `The log of the file has ${entries(onlyFile)} more; ${entries(onlyHere)} are only here and would stay.`;
}

interface ChoiceProps {
  meets: ImportMeets;
  take: (how: ImportAs) => void;
  close: () => void;
}

/** Asks what a file is to be whose job is here already. */
export function ImportChoice({ meets, take, close }: ChoiceProps) {
  // A file that says nothing new is best left alone.
  const isNews = meets.log.onlyFile > 0 || differences(meets.here, meets.file).length > 0;
  return (
    <Dialog title={`${meets.here.title} is here already`} isOpen onClose={close}>
      <Quiet>Nothing is imported yet. {logText(meets.log)}</Quiet>
      <Differences
        theirs={meets.here}
        yours={meets.file}
        heads={["Here", "In the file"]}
        none="Survey, devices and wishes are the same."
      />
      <Row style={{ justifyContent: "flex-end", marginTop: 16 }}>
        <Button $kind={isNews ? "outlined" : "filled"} onPress={close}>
          Do not import it
        </Button>
        <Button $kind="outlined" onPress={() => take({ as: "copy" })}>
          As a copy beside it
        </Button>
        {!meets.log.unlike && isNews && (
          <Button $kind="filled" onPress={() => take({ as: "later", version: meets.version })}>
            As its later state
          </Button>
        )}
      </Row>
    </Dialog>
  );
}
