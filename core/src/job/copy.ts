import { draftedCables, draftedLeaves } from "./assumed.ts";
import type { Job } from "./schema.ts";

/** What a copy is called and whose it is. */
export interface CopyOf {
  id: string;
  title: string;
  customer: string;
}

/** What a copy is called unless someone says otherwise. */
export const copyTitle = (title: string): string => `${title.slice(0, 110)}, copy`;

/**
 * A job like another, with nothing of what was found or done on its site: no controls as found, no wires held to a terminal,
 * no colours. Another customer has another address and
 * another breaker, and sizes and lengths that are assumed until they are measured there.
 */
export function copyJob(job: Job, { id, title, customer }: CopyOf): Job {
  const elsewhere = customer !== job.site.customer;
  return {
    ...job,
    id,
    title,
    site: elsewhere ? { customer, address: "", town: "" } : job.site,
    survey: { ...job.survey, notes: "", ...(elsewhere ? { breaker: "" } : {}) },
    ...(elsewhere
      ? { assumed: [...draftedLeaves(job.survey.leaves), ...job.devices.flatMap(draftedCables)] }
      : {}),
    devices: job.devices.map(({ pinned: _pinned, cores: _cores, ...device }) => device),
    found: { noted: false, firmware: "", links: {}, switches: {}, dials: {}, values: {} },
  };
}
