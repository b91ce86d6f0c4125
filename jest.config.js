const plain = `${import.meta.dirname}/scripts/jest/plain-environment.mjs`;

/** TypeScript, and JSX where a page is tested, stripped by swc; all run as ES modules. */
const strippedBy = (transformer) => ({
  "^.+\\.tsx?$": [
    transformer,
    {
      module: { type: "es6" },
      jsc: {
        target: "es2022",
        parser: { syntax: "typescript", tsx: true },
        transform: { react: { runtime: "automatic" } },
      },
    },
  ],
});

const common = { extensionsToTreatAsEsm: [".ts", ".tsx"], transform: strippedBy("@swc/jest") };

/** A project a workspace; of the web what needs no page (`.test.ts`) is tested without one. */
export default {
  // Only what never comes may fail, on a machine of any speed.
  testTimeout: 1_800_000,
  projects: [
    { ...common, displayName: "core", rootDir: "core", testEnvironment: plain },
    { ...common, displayName: "server", rootDir: "server", testEnvironment: plain },
    {
      ...common,
      displayName: "rules of pages",
      rootDir: "web",
      testEnvironment: plain,
      testMatch: ["**/*.test.ts"],
    },
    {
      ...common,
      displayName: "web",
      rootDir: "web",
      testEnvironment: "jsdom",
      transform: strippedBy(`${import.meta.dirname}/scripts/jest/own-globals.mjs`),
      testMatch: ["**/*.test.tsx"],
      setupFiles: [`${import.meta.dirname}/web/src/testing/setup.ts`],
      setupFilesAfterEnv: [`${import.meta.dirname}/web/src/testing/patience.ts`],
    },
  ],
};
