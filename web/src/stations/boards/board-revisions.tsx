import type { BoardProfile, Revisions } from "@anvilcloud/core";
import { useNavigate } from "react-router";
import useSWR, { useSWRConfig } from "swr";
import { boardKey, boardRevisionsKey, boardsKey, getJson, removeBoard } from "../../data/index.ts";
import { Failed, Loading, Quiet } from "../../ui/index.ts";
import { Removable } from "../shared/removable.tsx";

const origins = {
  shipped: "came with the program",
  retired: "came with an earlier version of the program, kept for the jobs made with it",
  own: "written here",
} as const;

/** The revisions of a board. One that was written here goes again, as long as no job was made with it. */
export function BoardRevisions({ board }: { board: BoardProfile }) {
  const key = boardRevisionsKey(board.id);
  const { data, error, mutate } = useSWR<Revisions, Error>(key, getJson);
  const { mutate: refresh } = useSWRConfig();
  const navigate = useNavigate();

  async function remove(revision: number, isLast: boolean) {
    await removeBoard(board.id, revision);
    await refresh(boardsKey);
    if (isLast) void navigate("/boards");
    else await Promise.all([mutate(), refresh(boardKey(board.id))]);
  }

  if (error) return <Failed what="The revisions of this board" error={error} retry={() => void mutate()} />;
  if (!data) return <Loading what="revisions" />;
  const isLast = data.revisions.length === 1;
  return (
    <>
      <Quiet>
        What was written here and no job was made with can be removed; its number is free again then.
      </Quiet>
      <ul>
        {data.revisions.map(({ revision, origin }) => (
          <Removable
            key={revision}
            name={`revision ${revision}`}
            text={`Revision ${revision}, ${origins[origin]}`}
            {...(origin === "own" ? { remove: () => remove(revision, isLast) } : {})}
          />
        ))}
      </ul>
    </>
  );
}
