import { keysTogether } from "@anvilcloud/core";
import { Button, Row } from "../../ui/index.ts";
import { LiveKey } from "./live-key.tsx";
import type { useKeys } from "./use-keys.ts";

export type Live = ReturnType<typeof useKeys>;

/** Every key of a running board: pressed, held, turned, and those that are worked together. */
export function Keys({ live }: { live: Live }) {
  const { board } = live.brain;
  return (
    <>
      {board.keys.map(({ id, label, kind }) => {
        const key = (
          <LiveKey
            key={id}
            label={label}
            onDown={() => live.down(id)}
            onDone={(seconds) => live.up(id, seconds)}
          />
        );
        const turn = (to: "left" | "right") => live.made({ turn: { key: id, to, clicks: 1 } });
        return kind === "turn-and-press" ? (
          <Row key={id}>
            <Button $kind="outlined" onPress={() => turn("left")}>
              {label} ↺
            </Button>
            {key}
            <Button $kind="outlined" onPress={() => turn("right")}>
              {label} ↻
            </Button>
          </Row>
        ) : (
          key
        );
      })}
      {keysTogether(board).map(({ keys, label }) => (
        <LiveKey key={label} label={label} onDone={(seconds) => live.made({ together: { keys, seconds } })} />
      ))}
    </>
  );
}
