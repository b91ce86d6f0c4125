import config from "./jest.config.js";

const [core, ...others] = config.projects;

/** All tests at once, those of the core in suites: see core/suites/load.ts. */
export default { ...config, projects: [{ ...core, testMatch: ["**/suites/*.suite.ts"] }, ...others] };
