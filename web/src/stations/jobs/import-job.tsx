import type { ImportMeets } from "@anvilcloud/core";
import { lazy, Suspense, useState } from "react";
import { useNavigate } from "react-router";
import { ApiError, importBundle, type ImportAs } from "../../data/index.ts";
import { FileButton, Notice } from "../../ui/index.ts";
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

// Asked only where a file meets a job that is here.
const ImportChoice = lazy(() =>
  import("./import-choice.tsx").then((choice) => ({ default: choice.ImportChoice })),
);

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
        <Suspense>
          <ImportChoice
            meets={met.meets}
            close={() => setMet(undefined)}
            take={(how) => {
              setMet(undefined);
              take(met.file, how).catch((error: unknown) => onError((error as Error).message));
            }}
          />
        </Suspense>
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
