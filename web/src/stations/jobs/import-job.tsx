import type { ImportMeets } from "@anvilcloud/core";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ApiError, importBundle, type ImportAs } from "../../data/index.ts";
import { Button, Dialog, FileButton, Notice, Quiet, Row } from "../../ui/index.ts";
import { Differences } from "../shared/differences.tsx";
import { refreshJobs } from "./acts.ts";

/** As much as the server takes, bytes. */
const largestJobFile = 1_000_000_000;

interface Met {
  file: File;
  meets: ImportMeets;
}

/** What a refusal says of the job that is here; nothing where it was refused for something else. */
const meetsOf = (error: unknown): ImportMeets | undefined =>
  error instanceof ApiError && error.status === 409
    ? (error.body as { meets?: ImportMeets } | undefined)?.meets
    : undefined;

const entries = (count: number) => `${count} ${count === 1 ? "entry" : "entries"}`;

function logText({ onlyHere, onlyFile, unlike }: ImportMeets["log"]): string {
  if (unlike)
    return `${entries(unlike)} of the two logs say different things under one id: the file can only be taken as a copy.`;
  if (!onlyHere && !onlyFile) return "Both logs are the same.";
  return `The log of the file has ${entries(onlyFile)} more; ${entries(onlyHere)} are only here and would stay.`;
}

interface ChoiceProps extends Met {
  take: (how: ImportAs) => void;
  close: () => void;
}

/** Asks what a file is to be whose job is here already. */
function ImportChoice({ meets, take, close }: ChoiceProps) {
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
        <Button $kind="outlined" onPress={close}>
          Do not import it
        </Button>
        <Button $kind="outlined" onPress={() => take({ as: "copy" })}>
          As a copy beside it
        </Button>
        {!meets.log.unlike && (
          <Button $kind="filled" onPress={() => take({ as: "later", version: meets.version })}>
            As its later state
          </Button>
        )}
      </Row>
    </Dialog>
  );
}

/** Imports a job file; where its job is here already, asks first. */
export function ImportJob({ onError }: { onError: (message: string | undefined) => void }) {
  const navigate = useNavigate();
  const [met, setMet] = useState<Met>();
  const open = async (file: File, how: ImportAs) => {
    const id = await importBundle(file, how);
    void refreshJobs();
    void navigate(`/jobs/${id}`);
  };
  const take = async (file: File, how: ImportAs) => {
    try {
      await open(file, how);
    } catch (error) {
      const meets = meetsOf(error);
      if (!meets) throw error;
      setMet({ file, meets });
    }
  };
  return (
    <>
      <FileButton
        label="Import a job file"
        accepts={["application/json", ".json"]}
        most={largestJobFile}
        onError={onError}
        take={(file) => take(file, { as: "new" })}
      />
      {met && (
        <ImportChoice
          {...met}
          close={() => setMet(undefined)}
          take={(how) => {
            setMet(undefined);
            take(met.file, how).catch((error: unknown) => onError((error as Error).message));
          }}
        />
      )}
    </>
  );
}

/** Why a file was not imported. */
export const NotImported = ({ refusal }: { refusal: string }) => (
  <Notice tone="fault" title="Not done">
    <span style={{ whiteSpace: "pre-line", overflowWrap: "anywhere" }}>{refusal}</span>
  </Notice>
);
