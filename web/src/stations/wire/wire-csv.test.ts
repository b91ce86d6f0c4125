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

test.each([
  "=1+1\n",
  '=HYPERLINK("http://x")\nside',
  "+1\r\n2",
  "-2\n",
  "@SUM(A1)\nb",
  "\t=1",
  "\n=1",
  " =1",
  "\u00a0=1",
  "\u200b=1",
  "＝1+1",
])("the cell %j is harmless", (name) => {
  const odd = cores.map((core) => ({ ...core, deviceName: name }));
  const { data } = Papa.parse<{ device: string }>(wireCsv(odd, devices), { header: true });
  expect(data[0]?.device).toBe(`'${name}`);
});

test.each(["+", "-", "Gate = old", "3 - 4"])("the cell %j is left as it is", (name) => {
  const odd = cores.map((core) => ({ ...core, deviceName: name }));
  const { data } = Papa.parse<{ device: string }>(wireCsv(odd, devices), { header: true });
  expect(data[0]?.device).toBe(name);
});
