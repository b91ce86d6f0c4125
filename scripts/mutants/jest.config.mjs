// How the mutation tester runs the tests of the rules.
import all from "../../jest.config.js";

const core = all.projects.find(({ displayName }) => displayName === "core");

export default {
  ...core,
  rootDir: new URL("../..", import.meta.url).pathname,
  testEnvironment: new URL("environment.mjs", import.meta.url).pathname,
  testMatch: ["<rootDir>/scripts/mutants/suite.mjs"],
  testTimeout: 120_000,
};
