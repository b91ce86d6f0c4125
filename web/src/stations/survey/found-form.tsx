import { useJobBench } from "../../data/index.ts";
import { TextInput } from "../../ui/index.ts";
import { FaceEntry } from "../shared/entry/face-entry.tsx";
import { Grid } from "./grid.ts";
import { Section } from "./section.tsx";
import { useWants } from "./use-wants.ts";
import { ToldFound } from "./told-found.tsx";

/** How the board stood before anything was touched: firmware, and everything on its face. */
export function FoundForm() {
  const { job, plan, change } = useJobBench();
  const { board } = plan.bundle;
  return (
    <Section part="found" title="As found at the board" says="noted" wants={useWants("found")}>
      <div style={{ display: "grid", gap: 16 }}>
        <Grid>
          <TextInput
            label="Firmware"
            value={job.found.firmware}
            onChange={(firmware) => change({ kind: "firmware", firmware: firmware.slice(0, 20) })}
            hint={`this profile holds for ${board.firmware.join(", ")}`}
          />
        </Grid>
        <FaceEntry entered="found" />
        <ToldFound />
      </div>
    </Section>
  );
}
