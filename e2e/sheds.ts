import type { Page } from "@playwright/test";
import { answerStep, planJob, stations } from "../core/src/index.ts";
import { demoBundle } from "../core/src/testing/shipped.ts";

const by = "Ivet Carrandine";
const start = Date.UTC(2026, 10, 18, 8);
const minute = (n: number) => new Date(start + n * 60_000).toISOString();

/** Stores the swing pair of the tests on the server, answered up to and with a station, and handed over if so wanted. */
export async function storeSheds(
  page: Page,
  demo: string,
  { until, to }: { until: (typeof stations)[number]; to?: string },
): Promise<void> {
  const bundle = demoBundle("sheds");
  const used = new Set(bundle.job.devices.map(({ device }) => device.id));
  const reached = planJob(bundle).sheet.filter(
    (step) => stations.indexOf(step.station) <= stations.indexOf(until),
  );
  const log = reached.map((step, n) => {
    const readings = step.readings?.map(({ quantity, unit }) => ({
      quantity,
      unit,
      value: unit === "N" ? 318 : quantity === "R1 to R2" ? 24.1 : 0,
    }));
    return answerStep(step, "seen", { id: `s${n}`, at: minute(n), by }, readings && { readings });
  });
  const handedOver = { id: "over", kind: "handed-over", at: minute(log.length), by, to };
  const data = {
    ...bundle,
    devices: bundle.devices.filter(({ id }) => used.has(id)),
    log: to ? [...log, handedOver] : log,
  };
  const answer = await page.request.post(`${demo}/api/bundles`, { data });
  if (!answer.ok()) throw new Error(await answer.text());
}
