/** One project a workspace; all run as ES modules, TypeScript stripped by swc. */
const common = {
  testEnvironment: `${import.meta.dirname}/scripts/jest/plain-environment.mjs`,
  extensionsToTreatAsEsm: [".ts", ".tsx"],
  transform: {
    "^.+\\.tsx?$": [
      "@swc/jest",
      {
        module: { type: "es6" },
        jsc: { target: "es2022", parser: { syntax: "typescript", tsx: true } },
      },
    ],
  },
};

export default {
  testTimeout: 120_000,
  projects: [
    { ...common, displayName: "core", rootDir: "core" },
    { ...common, displayName: "server", rootDir: "server" },
    {
      ...common,
      displayName: "web",
      rootDir: "web",
      testEnvironment: "jsdom",
      setupFiles: [`${import.meta.dirname}/web/src/testing/setup.ts`],
      setupFilesAfterEnv: [`${import.meta.dirname}/web/src/testing/patience.ts`],
      transform: {
        "^.+\\.tsx?$": [
          "@swc/jest",
          {
            module: { type: "es6" },
            jsc: {
              target: "es2022",
              parser: { syntax: "typescript", tsx: true },
              transform: { react: { runtime: "automatic" } },
            },
          },
        ],
      },
    },
  ],
};
