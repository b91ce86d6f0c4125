import { changesOf, type Step } from "@anvilcloud/core";
import { useState } from "react";
import { useJobBench } from "../../../data/index.ts";
import { Segments } from "../../../ui/index.ts";
import { KeyGuide } from "./key-guide.tsx";

/** The keys of a step that sets a value in the menus: of this one, or of all that are left in one visit. */
export function StepKeys({ step }: { step: Step }) {
  const { plan } = useJobBench();
  const [all, setAll] = useState(false);
  const changes = changesOf(plan, plan.now);
  const own = changes.filter(({ item }) => item === step.control);
  if (!own.length) return null;
  return (
    <div>
      {changes.length > 1 && (
        <Segments
          label="How many values"
          value={all ? "all" : "one"}
          onChange={(to) => setAll(to === "all")}
          options={[
            { id: "one", text: "This value" },
            { id: "all", text: `All ${changes.length} that are left` },
          ]}
        />
      )}
      <KeyGuide key={all ? "all" : "one"} changes={all ? changes : own} step={step.id} />
    </div>
  );
}
