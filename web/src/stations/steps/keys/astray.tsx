import type { BoardProfile, PanelState } from "@anvilcloud/core";
import { useState } from "react";
import { styled } from "styled-components";
import { space } from "../../../theme/index.ts";
import { Button, Notice, Quiet, Row, TextInput } from "../../../ui/index.ts";
import { HoldTimer } from "../hold-timer.tsx";
import type { Astray as State } from "./use-key-guide.ts";

const Block = styled.div`
  display: grid;
  gap: ${space.m};
`;

interface Props {
  board: BoardProfile;
  state: State;
  /** Screens that a slip leads to: offered before anything is typed. */
  likely: readonly string[];
  sees: (shown: readonly string[]) => void;
  couldBe: (could: readonly PanelState[]) => void;
  outside: () => void;
  never: () => void;
}

/** A screen of several lines in one. */
const onScreen = (screen: string) => screen.split("|").join(" / ");

/** It shows something else: says what, looks once more where several places show the same, or waits for the menus to close. */
export function Astray({ board, state, likely, sees, couldBe, outside, never }: Props) {
  const [typed, setTyped] = useState("");
  const usual = (
    <Button $kind="outlined" onPress={outside}>
      Its usual screen
    </Button>
  );
  if (state.kind === "look")
    return (
      <Block>
        <p>
          <b>Several places show that. {state.step.says}.</b> It changes nothing, wherever it is.
        </p>
        <Quiet>What does it show now?</Quiet>
        <Row>
          {state.then.map(({ shows, at }) => (
            <Button key={shows} $kind="outlined" onPress={() => (shows ? couldBe(at) : outside())}>
              {onScreen(shows) || "Its usual screen"}
            </Button>
          ))}
        </Row>
      </Block>
    );
  if (state.kind === "wait")
    return (
      <Block>
        <p>
          <b>It cannot be told from here.</b> Touch no key for {state.seconds} s: the menus close by
          themselves
          {state.keeps
            ? ". A value that was being changed is kept: look at it once more afterwards."
            : ", and nothing is kept."}
        </p>
        <HoldTimer seconds={state.seconds} keyLabel="the wait" over="The menus have closed" />
        <Row>{usual}</Row>
      </Block>
    );
  if (state.kind === "lost")
    return (
      <Notice tone="caution" title="It cannot be told from here">
        Press no key on a guess. Leave the menus as this board is left, note what it shows at rest, and begin
        again. <Row>{usual}</Row>
      </Notice>
    );
  const lines = typed.split(/[|/]/).map((line) => line.trim());
  return (
    <Block>
      {state.kind === "nowhere" && (
        <Notice tone="fault" title="No such screen">
          This board shows that nowhere in its menus. Most like it: {state.nearest.map(onScreen).join(", ")}.
          Read it again, or look at the firmware.
        </Notice>
      )}
      <p>
        <b>What does it show?</b> Touch no key meanwhile.
      </p>
      <Row>
        {usual}
        {likely.map((screen) => (
          <Button key={screen} $kind="outlined" onPress={() => sees(screen.split("|"))}>
            {onScreen(screen)}
          </Button>
        ))}
      </Row>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim()) sees(lines);
        }}
      >
        <Row style={{ alignItems: "end" }}>
          <TextInput
            label="Something else"
            value={typed}
            onChange={setTyped}
            hint={
              (board.display?.lines ?? 1) > 1 ? "the first line is enough" : "as it stands on the display"
            }
          />
          <Button type="submit" isDisabled={!typed.trim()}>
            Find it
          </Button>
          <Button $kind="quiet" onPress={never}>
            Back to the keys
          </Button>
        </Row>
      </form>
    </Block>
  );
}
