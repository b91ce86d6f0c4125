import { jobSchema } from "@anvilcloud/core";
import { zodResolver } from "@hookform/resolvers/zod";
import { useJobBench } from "../../data/index.ts";
import { BoundText } from "./bound.tsx";
import { Grid } from "./grid.ts";
import { Section } from "./section.tsx";
import { useWants } from "./use-wants.ts";
import { useSection } from "./use-section.ts";

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
  const says = [title, site.customer, site.address, site.town, installer].filter(Boolean).join(", ");
  return (
    <Section part="site" title="Site" says={says} wants={useWants("site")}>
      <Grid>
        {fields.map(({ name, label }) => (
          <BoundText key={name} control={form.control} name={name} label={label} />
        ))}
      </Grid>
    </Section>
  );
}
