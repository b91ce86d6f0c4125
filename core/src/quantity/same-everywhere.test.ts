import { ESLint } from "eslint";

/** What the lint rules say of a line, as if it stood in a file of the core. */
async function said(line: string): Promise<string[]> {
  const root = new URL("../../../", import.meta.url).pathname;
  const eslint = new ESLint({ cwd: root });
  const [result] = await eslint.lintText(`${line}\n`, { filePath: `${root}core/src/quantity/trig.ts` });
  return result!.messages.map(({ message }) => message);
}

test("a slip into what differs from one engine to the next is found: sines, powers, orders of words, chance, the time", async () => {
  const [sine, power, order, chance, time, sound] = await Promise.all(
    [
      "export const slip = (at: number) => Math.sin(at);",
      "export const slip = (at: number) => at ** 1.5;",
      "export const slip = (a: string, b: string) => a.localeCompare(b);",
      "export const slip = () => Math.random();",
      "export const slip = () => Date.now();",
      "export const slip = (at: number) => Math.sqrt(at * at + 1);",
    ].map(said),
  );
  expect(sine).toEqual([expect.stringMatching(/last bit/)]);
  expect(power).toEqual([expect.stringMatching(/last bit/)]);
  expect(order).toEqual([expect.stringMatching(/Order differs/)]);
  expect(chance).toEqual([expect.stringMatching(/seed/)]);
  expect(time).toEqual([expect.stringMatching(/handed in/)]);
  expect(sound).toEqual([]);
});
