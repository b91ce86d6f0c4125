// Checks one profile, a board's or a device's, and says what is wrong with it in the app's own words.
import { readFileSync } from "node:fs";
import { inspectBoard, inspectDevice, problemText, runReport } from "@anvilcloud/core";

const [file] = process.argv.slice(2);
if (file === undefined) {
  process.stderr.write("Name the file: npm run check-profile -- boards/my-board.yaml\n");
  process.exit(2);
}

let text: string;
try {
  text = readFileSync(file, "utf8");
} catch (error) {
  process.stderr.write(`${file} could not be read: ${(error as Error).message}\n`);
  process.exit(2);
}

const isDevice = /^format:\s*"?anvilcloud\/device@/m.test(text);
const { problems } = isDevice ? inspectDevice(text, file) : inspectBoard(text, file);
for (const problem of problems) process.stdout.write(`${problemText(problem)}\n`);
if (problems.length) process.exit(1);
process.stdout.write(`${file}: nothing is wrong with this ${isDevice ? "device" : "board"}.\n`);
if (isDevice) process.exit(0);

const { value } = inspectBoard(text, file);
const { right, procedures, problems: misruns } = runReport(value!);
for (const misrun of misruns) process.stdout.write(`${misrun}\n`);
if (misruns.length) process.exit(1);
process.stdout.write(
  value!.programs.length
    ? `Run by their gestures, ${right} of ${procedures} procedures end where they claim.\n`
    : "It has no programs: what its procedures change is claimed, and nothing runs.\n",
);
