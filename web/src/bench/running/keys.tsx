import { heardBy, keysTogether, type Gesture } from "@anvilcloud/core";
import { useRef } from "react";
import { Button, Row } from "../../ui/index.ts";
import { sends } from "./sends.ts";
import { LiveKey } from "../panel/live-key.tsx";
import { useFrames, type Running } from "./use-running.ts";

/** Every key of the running board, those that are worked together, and what a transmitter can send. */
export function RunningKeys({ running }: { running: Running }) {
  const { info, host, does } = running;
  const { board } = info;
  // The board's own time: it stands behind that of the page where the machine is slow.
  const held = useRef(0);
  useFrames(running.watch, (frame) => {
    held.current = frame.held ?? 0;
  });
  const made = (gesture: Gesture) => does({ do: gesture });
  const remotes = [...new Set(["press", ...heardBy(board)])];
  return (
    <>
      <Row role="group" aria-label="Keys of the board">
        {board.keys.map(({ id, label, kind }) => (
          <Row key={id}>
            {kind === "turn-and-press" && (
              <Button $kind="outlined" onPress={() => made({ turn: { key: id, to: "left", clicks: 1 } })}>
                {label} ↺
              </Button>
            )}
            <LiveKey
              label={label}
              counted={() => held.current}
              onDown={() => {
                held.current = 0;
                void host.key(id, "down");
              }}
              onDone={() => void host.key(id, "up")}
            />
            {kind === "turn-and-press" && (
              <Button $kind="outlined" onPress={() => made({ turn: { key: id, to: "right", clicks: 1 } })}>
                {label} ↻
              </Button>
            )}
          </Row>
        ))}
        {keysTogether(board).map(({ keys, label }) => (
          <LiveKey
            key={label}
            label={label}
            onDone={(seconds) => made({ together: { keys, seconds: Math.max(0.1, seconds) } })}
          />
        ))}
      </Row>
      {board.memories.some(({ holds }) => holds === "remotes") && (
        <Row role="group" aria-label="Transmitters">
          {remotes.map((sent) => (
            <Button
              key={sent}
              $kind="outlined"
              onPress={() =>
                made({ remote: { sends: sent as "press", times: 1, says: "at the transmitter" } })
              }
            >
              {sends[sent] ?? sent}
            </Button>
          ))}
        </Row>
      )}
    </>
  );
}
