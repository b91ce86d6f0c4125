import {
  assumedLeaf,
  count,
  jobSchema,
  leafName,
  leafWords,
  leavesLike,
  movingThing,
  opensByAngle,
  quantityText,
  sentence,
  type BoardProfile,
  type Leaf,
} from "@anvilcloud/core";
import { zodResolver } from "@hookform/resolvers/zod";
import { Check } from "lucide-react";
import { useFieldArray, type Control } from "react-hook-form";
import { z } from "zod";
import { useJobBench } from "../../data/index.ts";
import { Button, Quiet, Row, Segments, SubHeading, useUnits } from "../../ui/index.ts";
import { BoundChoice, BoundNumber, BoundText, BoundToggle } from "./bound.tsx";
import { Grid } from "./grid.ts";
import { Section } from "./section.tsx";
import { useWants } from "./use-wants.ts";
import { useSection } from "./use-section.ts";

const schema = z.object({ survey: jobSchema.shape.survey });
type Gate = z.output<typeof schema>;

const measures = [
  { key: "widthMm", label: "Width", unit: "mm" },
  { key: "heightMm", label: "Height", unit: "mm" },
  { key: "massKg", label: "Mass", unit: "kg" },
] as const;

const infills = [
  { id: "open", text: "open, wind passes" },
  { id: "solid", text: "solid, wind pushes" },
] as const;

const users = [
  { id: "trained-private", text: "trained, private" },
  { id: "trained-public", text: "trained, public place" },
  { id: "untrained-public", text: "anyone, public" },
] as const;

/** Room for the drive, asked for where drives sit over the opening. */
const headers = [{ key: "headerDepthMm", label: "Room over it", unit: "mm" }] as const;
const overhead: readonly BoardProfile["purpose"][] = ["industrial-door", "rolling-grille", "pedestrian-door"];

/** Panes in a frame: their chain holds them at its ends, and nobody asks what the wind does. */
const isGlazing = ({ purpose }: BoardProfile) => purpose === "rooflight" || purpose === "window";

/** A swing leaf's travel is an angle, any other's a length. */
const travelOf = (board: BoardProfile) =>
  opensByAngle(board)
    ? ({ key: "openingDegrees", label: "Opens", unit: "°" } as const)
    : ({ key: "travelMm", label: "Travels", unit: "mm" } as const);

function LeafFields({
  control,
  at,
  leaf,
  board,
  assumed,
}: {
  control: Control<Gate>;
  at: number;
  leaf: Leaf["id"];
  board: BoardProfile;
  /** What of the leaves nobody has measured. */
  assumed: readonly string[];
}) {
  return (
    <fieldset style={{ border: 0, margin: 0, padding: 0, display: "grid", gap: 8 }}>
      <SubHeading as="legend">{sentence(leafName(board, leaf))}</SubHeading>
      <Grid $least="165px">
        {[...measures, travelOf(board), ...(overhead.includes(board.purpose) ? headers : [])].map(
          ({ key, label, unit }) => (
            <BoundNumber
              key={key}
              control={control}
              name={`survey.leaves.${at}.${key}`}
              label={label}
              unit={unit}
              isAssumed={assumed.includes(assumedLeaf(at, key))}
            />
          ),
        )}
        {!isGlazing(board) && (
          <BoundChoice
            control={control}
            name={`survey.leaves.${at}.infill`}
            label="Infill"
            options={infills}
          />
        )}
      </Grid>
      {!isGlazing(board) && (
        <Row>
          <BoundToggle control={control} name={`survey.leaves.${at}.stopOpen`} label="Stop when open" />
          <BoundToggle control={control} name={`survey.leaves.${at}.stopClosed`} label="Stop when closed" />
        </Row>
      )}
    </fieldset>
  );
}

/** The gate itself: leaves, users, sight, mains, notes. */
export function GateForm() {
  const { job, plan, change, changeAndTell } = useJobBench();
  const { board } = plan.bundle;
  const thing = movingThing(board);
  const names = leafWords(board);
  const units = useUnits();
  const wants = useWants("thing");
  const form = useSection<Gate>({ survey: job.survey }, zodResolver(schema), (next) =>
    change({ kind: "survey", survey: next.survey }),
  );
  const { fields, replace } = useFieldArray({ control: form.control, name: "survey.leaves", keyName: "key" });

  function setCount(count: string) {
    const [first] = form.getValues("survey.leaves");
    if (!first) return;
    replace(leavesLike(first, count === "1" ? 1 : 2));
  }

  const measured = (job.assumed ?? []).filter((each) => each.startsWith("leaf "));
  const [first] = job.survey.leaves;
  const says = first
    ? `${count(job.survey.leaves.length, names.one, names.many)}, ${[
        quantityText(first.widthMm, "mm", units),
        quantityText(first.heightMm, "mm", units),
      ].join(" × ")}, ${quantityText(first.massKg, "kg", units)}`
    : "";
  return (
    <Section part="thing" title={sentence(thing)} says={says} wants={wants}>
      <div style={{ display: "grid", gap: 16 }}>
        {board.leaves !== 1 && (
          <Segments
            label={sentence(names.many)}
            value={String(fields.length)}
            onChange={setCount}
            options={[
              { id: "1", text: `One ${names.one}` },
              { id: "2", text: `Two ${names.many}` },
            ]}
          />
        )}
        {fields.map((leaf, at) => (
          <LeafFields
            key={leaf.key}
            control={form.control}
            at={at}
            leaf={leaf.id}
            board={board}
            assumed={measured}
          />
        ))}
        {measured.length > 0 && (
          <Row>
            <Button
              $kind="outlined"
              onPress={() =>
                changeAndTell([{ kind: "confirm", what: measured }], "Sizes and masses are as written.")
              }
            >
              <Check size={18} aria-hidden /> They are as written
            </Button>
            <Quiet>Sizes and masses marked assumed are those of an ordinary {thing}.</Quiet>
          </Row>
        )}
        <Grid>
          <BoundChoice control={form.control} name="survey.users" label="Who uses it" options={users} />
          <BoundText control={form.control} name="survey.breaker" label="Breaker: where, how marked" />
          <BoundNumber
            control={form.control}
            name="survey.serviceMonths"
            label="Service every"
            unit="months"
          />
        </Grid>
        <BoundToggle
          control={form.control}
          name="survey.inSight"
          label={`The ${thing} is in sight of who commands it`}
        />
        <BoundText control={form.control} name="survey.notes" label="Notes" long />
      </div>
    </Section>
  );
}
