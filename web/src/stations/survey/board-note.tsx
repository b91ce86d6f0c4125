import type { BoardProfile } from "@anvilcloud/core";
import { Link } from "react-router";
import useSWR from "swr";
import { boardKey, getJson, useJobBench } from "../../data/index.ts";
import { Notice, Quiet } from "../../ui/index.ts";

/** Which board the job rests on, in which revision, and that a newer one is there when it is. */
export function BoardNote() {
  const { board } = useJobBench();
  const { data } = useSWR<BoardProfile, Error>(boardKey(board.id), getJson);
  const newer = data !== undefined && data.revision > board.revision;
  return (
    <>
      <Quiet>
        On{" "}
        <Link to={`/boards/${board.id}`}>
          {board.maker} {board.name}
        </Link>
        , revision {board.revision}.
      </Quiet>
      {newer && (
        <Notice tone="note" title={`Revision ${data.revision} of this board is here`}>
          This job stays on revision {board.revision} until you take the newer one.{" "}
          <Link to={`/boards/${board.id}`}>See on the board's page, under Jobs, what it does.</Link>
        </Notice>
      )}
    </>
  );
}
