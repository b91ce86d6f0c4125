import { faultText, type FaultChoice } from "@anvilcloud/core";
import { useState } from "react";
import { Button, Choice, Notice, Quiet, Row } from "../../ui/index.ts";
import type { Running } from "./use-running.ts";

const distinct = (texts: readonly string[]): string[] => [...new Set(texts)];

/** Faults that are put in by name, or one that nobody names until it is asked for. */
export function RunningFaults({ running }: { running: Running }) {
  const { info, news, does } = running;
  const [what, setWhat] = useState<string>();
  const [where, setWhere] = useState<string>();
  const [hidden, setHidden] = useState<FaultChoice>();
  const [told, setTold] = useState(false);
  const kinds = distinct(info.faults.map((each) => each.what));
  const places = info.faults.filter((each) => each.what === what);
  const chosen = places.length === 1 ? places[0] : places.find((each) => each.where === where);
  const put = (choice: FaultChoice) => does({ faults: [...news.faults, choice.fault] });
  const hide = () => {
    const choice = info.faults[Math.floor(Math.random() * info.faults.length)];
    if (!choice) return;
    setHidden(choice);
    setTold(false);
    does({ faults: [choice.fault] });
  };
  const none = () => {
    setHidden(undefined);
    does({ faults: [] });
  };
  return (
    <>
      <Row style={{ alignItems: "end" }}>
        <Choice
          label="What is wrong"
          value={what}
          onChange={(next) => {
            setWhat(next);
            setWhere(undefined);
          }}
          options={kinds.map((text) => ({ id: text, text }))}
        />
        {places.length > 1 && (
          <Choice
            label="Where"
            value={where}
            onChange={setWhere}
            options={places.map((each) => ({ id: each.where, text: each.where }))}
          />
        )}
        <Button $kind="outlined" isDisabled={!chosen} onPress={() => chosen && put(chosen)}>
          Put it in
        </Button>
        <Button $kind="outlined" onPress={hide}>
          Hide one
        </Button>
        <Button $kind="quiet" isDisabled={!news.faults.length} onPress={none}>
          Nothing is wrong
        </Button>
      </Row>
      {hidden && news.faults.length > 0 ? (
        <Notice
          tone="note"
          title={told ? `${hidden.what}${hidden.where && `: ${hidden.where}`}` : "Something is wrong"}
        >
          {told ? "Put right with “Nothing is wrong”." : "Find it: watch, press, and read the lamps. "}
          {!told && (
            <Button $kind="quiet" onPress={() => setTold(true)}>
              Tell me
            </Button>
          )}
        </Notice>
      ) : (
        <Quiet>
          {news.faults.length
            ? `Put in: ${news.faults.map((fault) => faultText(fault).toLowerCase()).join("; ")}.`
            : "Nothing is wrong."}
        </Quiet>
      )}
    </>
  );
}
