import { jobSchema } from "@anvilcloud/core";
import { zodResolver } from "@hookform/resolvers/zod";
import { useJobBench } from "../../data/index.ts";
import { BoundText } from "./bound.tsx";
import { Grid } from "./grid.ts";
import { Section, useSection } from "./section.tsx";

const schema = jobSchema.pick({ title: true, site: true, installer: true });

const fields = [
  { name: "title", label: "Title" },
  { name: "site.customer", label: "Customer" },
  { name: "site.address", label: "Address" },
  { name: "site.town", label: "Town" },
  { name: "installer", label: "Installer" },
] as const;

/** Whose gate it is, where it stands, who works on it. */
export function SiteForm() {
  const { job, change } = useJobBench();
  const { title, site, installer } = job;
  const form = useSection({ title, site, installer }, zodResolver(schema), (next) =>
    change({ kind: "site", ...next }),
  );
  return (
    <Section title="Site">
      <Grid>
        {fields.map(({ name, label }) => (
          <BoundText key={name} control={form.control} name={name} label={label} />
        ))}
      </Grid>
    </Section>
  );
}
