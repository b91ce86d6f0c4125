/** Builds the server and its worker into a folder: `main.js`, `worker.js` and what they share. */
export function buildServer(outdir: string, further?: readonly string[]): Promise<unknown>;
