import type { BoardProfile } from "@anvilcloud/core";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import { useNavigate } from "react-router";
import { styled } from "styled-components";
import useSWR, { useSWRConfig } from "swr";
import { boardKey, boardRevisionsKey, boardsKey, getJson, removeBoard } from "../../data/index.ts";
import { color, size, space } from "../../theme/index.ts";
import { Button, Failed, Loading, Notice, Quiet } from "../../ui/index.ts";

const One = styled.li`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: ${space.m};
  min-height: 56px;
  border-top: 1px solid ${color.line};
  font-size: ${size.small};
`;

interface Revision {
  revision: number;
  origin: "shipped" | "own";
}

/** The revisions of a board. One that was written here goes again, as long as no job was made with it. */
export function BoardRevisions({ board }: { board: BoardProfile }) {
  const key = boardRevisionsKey(board.id);
  const { data, error, mutate } = useSWR<{ revisions: Revision[] }, Error>(key, getJson);
  const { mutate: refresh } = useSWRConfig();
  const navigate = useNavigate();
  const [asked, setAsked] = useState<number>();
  const [refusal, setRefusal] = useState<string>();

  async function remove(revision: number) {
    setAsked(undefined);
    setRefusal(undefined);
    try {
      await removeBoard(board.id, revision);
      await refresh(boardsKey);
      if (data?.revisions.length === 1) void navigate("/boards");
      else await Promise.all([mutate(), refresh(boardKey(board.id))]);
    } catch (failure) {
      setRefusal((failure as Error).message);
    }
  }

  if (error) return <Failed what="The revisions of this board" error={error} retry={() => void mutate()} />;
  if (!data) return <Loading what="revisions" />;
  return (
    <>
      <Quiet>What was written here and no job was made with can be removed; its number is free again then.</Quiet>
      <ul>
        {data.revisions.map(({ revision, origin }) => (
          <One key={revision}>
            <span>
              Revision {revision}, {origin === "own" ? "written here" : "came with the program"}
            </span>
            {origin === "own" &&
              (asked === revision ? (
                <Button $kind="danger" onPress={() => void remove(revision)}>
                  Remove it for good
                </Button>
              ) : (
                <Button $kind="quiet" onPress={() => setAsked(revision)} aria-label={`Remove revision ${revision}`}>
                  <Trash2 size={18} aria-hidden /> Remove
                </Button>
              ))}
          </One>
        ))}
      </ul>
      {refusal && (
        <Notice tone="fault" title="Not removed">
          {refusal}
        </Notice>
      )}
    </>
  );
}
