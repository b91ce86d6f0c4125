// How the mutation tester runs the tests of the rules: from the one file that `bundle.mjs` has made of them.
export default {
  rootDir: new URL("../..", import.meta.url).pathname,
  roots: ["<rootDir>/core/src/testing"],
  testEnvironment: new URL("environment.mjs", import.meta.url).pathname,
  testMatch: ["<rootDir>/core/src/testing/mutants.bundle.mjs"],
  transform: {},
  testTimeout: 120_000,
};
