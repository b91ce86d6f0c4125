import config from "./jest.config.js";

/** All tests at once, in suites: see scripts/jest/suite.ts. */
const inSuites = (project) => ({
  ...project,
  testMatch: [project.testEnvironment === "jsdom" ? "**/suites/*.suite.tsx" : "**/suites/*.suite.ts"],
});

export default { ...config, projects: config.projects.map(inSuites) };
