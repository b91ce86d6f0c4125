import {
  onRevision,
  type BoardProfile,
  type JobBundle,
  type RevisionEffect,
  type BoardUse,
  type StoredJob,
} from "@anvilcloud/core";
import { usePlanner } from "../../planner/index.ts";
import { useState } from "react";
import { Link } from "react-router";
import { styled } from "styled-components";
import useSWR from "swr";
import { boardUseKey, bundleAddress, getJson, jobKey, putJob } from "../../data/index.ts";
import { color, size, space } from "../../theme/index.ts";
import { Button, Failed, Loading, Notice, Quiet, Row } from "../../ui/index.ts";

const One = styled.li`
  display: grid;
  gap: ${space.s};
  padding: ${space.s} 0;
  border-top: 1px solid ${color.line};
  font-size: ${size.small};
`;

function Changes({ title, texts }: { title: string; texts: readonly string[] }) {
  if (!texts.length) return null;
  return (
    <div>
      <b>{title}</b>
      <ul style={{ listStyle: "disc", paddingLeft: 20 }}>
        {texts.slice(0, 12).map((text) => (
          <li key={text}>{text}</li>
        ))}
        {texts.length > 12 && <li>and {texts.length - 12} more</li>}
      </ul>
    </div>
  );
}

/** What another revision does to one job, before it is taken. */
function EffectText({ effect }: { effect: RevisionEffect }) {
  if (effect.refused.length)
    return (
      <Notice tone="fault" title="This job cannot take it">
        {effect.refused.join(" ")}
      </Notice>
    );
  const { cores, settings, steps, findings } = effect;
  const quiet =
    ![cores, steps, findings].some((each) => each.added.length + each.removed.length) && !settings.length;
  return (
    <>
      {quiet && <Quiet>Nothing in the plan of this job changes.</Quiet>}
      <Changes title="New findings" texts={findings.added} />
      <Changes title="Findings that go" texts={findings.removed} />
      <Changes title="Cores to land" texts={cores.added} />
      <Changes title="Cores that go" texts={cores.removed} />
      <Changes title="Settings" texts={settings} />
      <Changes title="Steps asked anew" texts={steps.added} />
    </>
  );
}

/** Saves the job on the newer revision; the server notes it in the job's log with the same save. */
async function takeRevision(use: BoardUse, board: BoardProfile): Promise<void> {
  const stored = await getJson<StoredJob>(jobKey(use.id));
  await putJob(onRevision(stored.job, board), stored.version);
}

function OneUse({ use, board, onTaken }: { use: BoardUse; board: BoardProfile; onTaken: () => void }) {
  const planner = usePlanner();
  const [effect, setEffect] = useState<RevisionEffect>();
  const [refusal, setRefusal] = useState<string>();
  const older = use.revision < board.revision;

  async function look() {
    setRefusal(undefined);
    try {
      setEffect(await planner.revision(await getJson<JobBundle>(bundleAddress(use.id)), board));
    } catch (error) {
      setRefusal((error as Error).message);
    }
  }
  async function take() {
    try {
      await takeRevision(use, board);
      onTaken();
    } catch (error) {
      setRefusal((error as Error).message);
    }
  }

  return (
    <One>
      <Row style={{ justifyContent: "space-between" }}>
        <Link to={`/jobs/${use.id}`}>{use.title}</Link>
        <Quiet as="span">
          revision {use.revision}
          {use.handedOver && ", handed over"}
        </Quiet>
      </Row>
      {older && !effect && (
        <Button $kind="outlined" onPress={() => void look()} style={{ justifySelf: "start" }}>
          What would revision {board.revision} do to it?
        </Button>
      )}
      {effect && (
        <>
          <EffectText effect={effect} />
          <Button
            $kind="filled"
            isDisabled={effect.refused.length > 0}
            onPress={() => void take()}
            style={{ justifySelf: "start" }}
          >
            Take revision {board.revision}
          </Button>
        </>
      )}
      {refusal && (
        <Notice tone="fault" title="Not done">
          {refusal}
        </Notice>
      )}
    </One>
  );
}

/** The jobs made on a board. Each stays on its revision until someone takes the newer one. */
export function BoardJobs({ board }: { board: BoardProfile }) {
  const { data, error, mutate } = useSWR<{ jobs: BoardUse[] }, Error>(boardUseKey(board.id), getJson);
  if (error) return <Failed what="The jobs on this board" error={error} retry={() => void mutate()} />;
  if (!data) return <Loading what="jobs on this board" />;
  if (!data.jobs.length) return <Quiet>No job uses this board.</Quiet>;
  return (
    <>
      <Quiet>A job keeps the revision it was made with until you take the newer one here.</Quiet>
      <ul>
        {data.jobs.map((use) => (
          <OneUse key={use.id} use={use} board={board} onTaken={() => void mutate()} />
        ))}
      </ul>
    </>
  );
}
