import { planJob, wireRows } from "@anvilcloud/core";
import Papa from "papaparse";
import { netloft } from "../../testing/bench.tsx";
import { wireCsv } from "./wire-csv.ts";

const { cores, devices } = planJob(netloft()).wiring;

test("the wire list read back from CSV is the wire list", () => {
  const { data, errors } = Papa.parse(wireCsv(cores, devices), { header: true });
  expect(errors).toEqual([]);
  expect(data).toEqual(wireRows(cores, devices));
  expect(data).toContainEqual({
    device: "Photocell, quay side",
    pin: "contact a",
    core: "BK",
    to: "P3",
    "size mm²": "0.75",
    "length m": expect.stringMatching(/^\d+(\.\d)?$/) as string,
    why: "Photocell: its contact closes the loop",
  });
});

test("a name with commas, quotes and lines comes back, and a formula stays text", () => {
  const odd = cores.map((core, at) => ({
    ...core,
    deviceName: at === 0 ? '=HYPERLINK("http://x")' : 'Gate, "old"\nside',
  }));
  const { data } = Papa.parse<{ device: string }>(wireCsv(odd, devices), { header: true });
  expect(data[0]?.device).toBe('\'=HYPERLINK("http://x")');
  expect(data[1]?.device).toBe('Gate, "old"\nside');
});
