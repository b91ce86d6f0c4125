import type { Procedure } from "@anvilcloud/core";
import { styled } from "styled-components";
import { useJobBench } from "../../data/index.ts";
import { space } from "../../theme/index.ts";
import { Choice, Quiet, Segments, SubHeading, Toggle } from "../../ui/index.ts";
import { Grid } from "./grid.ts";
import { Section } from "./section.tsx";

/** A job that was begun before this was asked stands at neither. */
const proofs: readonly { id: "before" | "after" | ""; text: string }[] = [
  { id: "before", text: "Before it is programmed" },
  { id: "after", text: "After" },
];

const reasons = {
  before: "Nothing moves unprotected, and some boards refuse to learn otherwise.",
  after: "Some boards set up without them; links stay in meanwhile, and none may be left.",
  "": "Not chosen: the run sheet is as it was when this job was begun.",
} as const;

const Stack = styled.div`
  display: grid;
  gap: ${space.m};
`;

const whereDone = (procedure: Procedure) => procedure.station !== undefined;

/** What the board can do in more than one way, chosen for this job: how it learns, what is done besides, when protections are proved. */
export function WaysForm() {
  const { job, plan, change } = useJobBench();
  const { procedures } = plan.bundle.board;
  const chosen = job.chosen ?? [];
  const groups = procedures
    .filter(whereDone)
    .map((usual) => ({ usual, others: procedures.filter(({ instead }) => instead === usual.id) }))
    .filter(({ others }) => others.length > 0);
  const besides = procedures.filter((each) => whereDone(each) && each.optional && each.instead === undefined);
  const proof = job.proof ?? "";
  const maker = procedures.some(
    ({ afterProof, id, optional }) => afterProof && (!optional || chosen.includes(id)),
  );

  const ways = procedures.flatMap(({ id, title }) => (chosen.includes(id) ? [title] : []));
  const says = [...ways, ...(proof ? [`protections proved ${proof} it is programmed`] : [])].join(", ");
  return (
    <Section part="ways" title="How it is done" says={says}>
      <Stack>
        {groups.length > 0 && (
          <Grid $least="340px">
            {groups.map(({ usual, others }) => {
              const ids = others.map(({ id }) => id);
              return (
                <Choice
                  key={usual.id}
                  label={usual.kind === "learn" ? "Learns by" : "Done by"}
                  value={ids.find((id) => chosen.includes(id)) ?? usual.id}
                  onChange={(id) =>
                    change(
                      id === usual.id
                        ? { kind: "choose", procedure: ids[0]!, on: false, others: ids }
                        : { kind: "choose", procedure: id, on: true, others: ids },
                    )
                  }
                  options={[usual, ...others].map(({ id, title }) => ({ id, text: title }))}
                />
              );
            })}
          </Grid>
        )}
        {besides.map(({ id, title }) => (
          <Toggle
            key={id}
            label={title}
            value={chosen.includes(id)}
            onChange={(on) => change({ kind: "choose", procedure: id, on, others: [] })}
          />
        ))}
        <div>
          <SubHeading>Protections are proved</SubHeading>
          <Segments
            label="Protections are proved"
            value={proof}
            onChange={(to) => to && change({ kind: "proof", proof: to })}
            options={proofs}
          />
          <Quiet>
            {maker
              ? "This board's maker wants its sensors proved after set-up, whatever is chosen here."
              : reasons[proof]}
          </Quiet>
        </div>
      </Stack>
    </Section>
  );
}
