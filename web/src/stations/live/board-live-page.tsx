import type { BoardProfile, DeviceCatalogue } from "@anvilcloud/core";
import { useMemo } from "react";
import { useParams } from "react-router";
import useSWR from "swr";
import { LiveBench } from "../../bench/index.ts";
import { boardKey, devicesKey, getJson } from "../../data/index.ts";
import type { LiveGiven } from "../../planner/index.ts";
import { Failed, Loading, Quiet, Title } from "../../ui/index.ts";
import { Page } from "../boards/page.ts";

function Running({ board, catalogue }: { board: BoardProfile; catalogue: DeviceCatalogue["devices"] }) {
  const given = useMemo<LiveGiven>(() => ({ kind: "board", board, catalogue }), [board, catalogue]);
  return <LiveBench given={given} from="wired" />;
}

/** A board by itself, wired with what fits it, to be commissioned without a job. */
export function Component() {
  const { id = "" } = useParams();
  const board = useSWR<BoardProfile, Error>(boardKey(id), getJson);
  const devices = useSWR<DeviceCatalogue, Error>(devicesKey, getJson);
  const error = board.error ?? devices.error;
  return (
    <Page>
      <div>
        <Title>{board.data ? `${board.data.maker} ${board.data.name}, running` : "A board, running"}</Title>
        <Quiet>Wired with drives and devices that fit it. Nothing here touches a job.</Quiet>
      </div>
      {error && <Failed what="This board" error={error} retry={() => void board.mutate()} />}
      {!error && !(board.data && devices.data) && <Loading what="the board" />}
      {board.data && devices.data && <Running board={board.data} catalogue={devices.data.devices} />}
    </Page>
  );
}
