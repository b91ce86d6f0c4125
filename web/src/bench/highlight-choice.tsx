import { netsOf, type JobPlan, type Subject } from "@anvilcloud/core";
import { useHighlight } from "../data/index.ts";
import { Choice } from "../ui/index.ts";

interface Option {
  id: string;
  text: string;
  subjects: readonly Subject[];
}

/** Everything that can be lit as a whole: each device, each cable, and each net of terminals and cores. */
function optionsOf({ wiring, bundle }: JobPlan): Option[] {
  const device = (id: string): Subject => ({ kind: "device", id });
  return [
    { id: "none", text: "nothing", subjects: [] },
    ...wiring.devices.map(({ id, name }) => ({ id: `device ${id}`, text: name, subjects: [device(id)] })),
    ...wiring.cables.map(({ id, label }) => ({
      id: `cable ${id}`,
      text: `Cable: ${label}`,
      subjects: [{ kind: "cable" as const, id }],
    })),
    ...netsOf(bundle.board, wiring.cores).map(({ id, label, terminals }) => ({
      id: `net ${id}`,
      text: `Net: ${label} (${terminals.join(", ")})`,
      subjects: terminals.map((terminal): Subject => ({ kind: "terminal", id: terminal })),
    })),
  ];
}

const key = (subjects: readonly Subject[]) => subjects.map(({ kind, id }) => `${kind} ${id}`).join();

/** Keeps a device, a cable or a net lit while nothing else is pointed at. */
export function HighlightChoice({ plan }: { plan: JobPlan }) {
  const { kept, keep } = useHighlight();
  const options = optionsOf(plan);
  const now = options.find((option) => key(option.subjects) === key(kept));
  return (
    <Choice
      label="Light on the bench"
      value={now?.id ?? "none"}
      onChange={(id) => keep(options.find((option) => option.id === id)?.subjects ?? [])}
      options={options.map(({ id, text }) => ({ id, text }))}
    />
  );
}
