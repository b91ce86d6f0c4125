import { terminalsOf } from "@anvilcloud/core";
import { useState } from "react";
import { Button, Choice, Quiet, Row } from "../../ui/index.ts";
import type { Running } from "./use-running.ts";
import { coresNow, moveCore } from "./work-face.ts";

/** Cores that are taken off, put elsewhere, and put back, while everything runs. */
export function RunningWires({ running }: { running: Running }) {
  const { info } = running;
  const [core, setCore] = useState<string>();
  const [terminal, setTerminal] = useState<string>();
  const pins = info.cores.flatMap(({ id, from, colour, pinLabel, device }) =>
    from.kind === "pin"
      ? [
          {
            id,
            from,
            text: `${info.devices.find((each) => each.id === device)?.name}: ${colour} (${pinLabel})`,
          },
        ]
      : [],
  );
  const chosen = pins.find(({ id }) => id === core);
  const now = coresNow(running).find(({ id }) => id === core);
  const sits =
    now?.to.kind === "terminal"
      ? `It sits on ${now.to.terminal}.`
      : now
        ? "It sits in a joint."
        : "It is off.";
  return (
    <>
      <Row style={{ alignItems: "end" }}>
        <Choice label="Core" value={core} onChange={setCore} options={pins} />
        <Choice
          label="Terminal"
          value={terminal}
          onChange={setTerminal}
          options={terminalsOf(info.board).map(({ id, label }) => ({
            id,
            text: id === label ? id : `${id} ${label}`,
          }))}
        />
        <Button
          $kind="outlined"
          isDisabled={!chosen || terminal === undefined}
          onPress={() => chosen && terminal !== undefined && moveCore(running, chosen.from, { terminal })}
        >
          Put it there
        </Button>
        <Button
          $kind="outlined"
          isDisabled={!chosen}
          onPress={() => chosen && moveCore(running, chosen.from, "off")}
        >
          Take it off
        </Button>
        <Button
          $kind="quiet"
          isDisabled={!chosen}
          onPress={() => chosen && moveCore(running, chosen.from, "planned")}
        >
          Back where it belongs
        </Button>
      </Row>
      <Quiet role="status">
        {chosen ? sits : "On a site nothing is moved while there is power. Here it harms nobody."}
      </Quiet>
    </>
  );
}
