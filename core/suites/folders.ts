export const source = new URL("../src/", import.meta.url);

/** Folders whose tests are a suite of their own; all other tests are one more. */
const folders = ["board", "panel", "plan", "runsheet", "twin", "wiring"];

/** Whether a test stands in none of these folders. */
export const isElsewhere = (file: string): boolean =>
  !folders.some((folder) => file.startsWith(`${folder}/`));
