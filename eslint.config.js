import js from "@eslint/js";
import reactHooks from "eslint-plugin-react-hooks";
import globals from "globals";
import tseslint from "typescript-eslint";

/** Folders of core, lowest first: each may import only from folders before it. */
const coreLayers = [
  "quantity",
  "finding",
  "node",
  "board",
  "device",
  "job",
  "circuit",
  "wiring",
  "controls",
  "state",
  "panel",
  "motion",
  "twin",
  "runsheet",
  "plan",
  "lead",
  "replay",
  "record",
  "contract",
];

/** Stages of the wiring, in the order in which they are worked out. */
const wiringStages = ["assign", "place", "cores", "links", "loads", "cables", "found"];

/** Folders of web, lowest first. */
const webLayers = ["theme", "ui", "planner", "data", "bench", "stations"];

const framework = [
  "react",
  "react-*",
  "express",
  "knex",
  "better-sqlite3",
  "styled-components",
  "swr",
  "node:*",
];

const noFramework = {
  group: framework,
  message: "core/ is pure: no framework, no Node, no DOM.",
};
const noServer = { group: ["@anvilcloud/server", "**/server/**"], message: "web/ does not know server/." };
const noWeb = { group: ["@anvilcloud/web", "**/web/**"], message: "server/ does not know web/." };

/** What a folder may not import: anything of a later folder, and of earlier ones what is not their index. */
const orderOf = (layers, layer) => [
  ...layers.slice(layers.indexOf(layer) + 1).map((later) => ({
    regex: `^(\\.\\./)+${later}/`,
    message: `${layer}/ stands below ${later}/: imports go downwards only.`,
  })),
  {
    regex: `^(\\.\\./)+(${layers.filter((each) => each !== layer).join("|")})/(?!index\\.ts$)`,
    message: "Another folder is reached through its index.ts only.",
  },
];

const restricted = (patterns, paths = []) => ({
  "no-restricted-imports": ["error", { patterns, paths }],
});

/** One rule set a folder. */
function layerRules(root, layers, forbidden, paths) {
  return layers.map((layer) => ({
    files: [`${root}/${layer}/**/*.{ts,tsx}`],
    rules: restricted([...forbidden, ...orderOf(layers, layer)], paths),
  }));
}

/** The stages of the wiring keep their own order beside that of core. */
const stageRules = wiringStages.map((stage) => ({
  files: [`core/src/wiring/${stage}/*.ts`],
  rules: restricted([noFramework, ...orderOf(coreLayers, "wiring"), ...orderOf(wiringStages, stage)]),
}));

/** What solves circuits or plans: the page asks its worker instead. */
const solvers = {
  name: "@anvilcloud/core",
  importNames: [
    "assign",
    "benchFrom",
    "effectOf",
    "faceAt",
    "faultChoices",
    "findPanel",
    "guideKeys",
    "inspect",
    "keyPath",
    "Lead",
    "measureCircuit",
    "meterBetween",
    "meterText",
    "placeDevices",
    "planControls",
    "planJob",
    "planVisit",
    "planWiring",
    "playOn",
    "practiceBundle",
    "ranStep",
    "readCircuit",
    "readingsOf",
    "replay",
    "revisionEffect",
    "runReport",
    "runSheet",
    "Session",
    "showBoard",
    "showPlan",
    "sightsOf",
    "trialOf",
  ],
  message: "The page imports no solver: ask the planner, which works in the worker.",
};

/** Functions whose last bit differs from one engine to the next: a run would not be the same in Node and in a browser. */
const engineMaths = [
  ...[
    "sin",
    "cos",
    "tan",
    "asin",
    "acos",
    "atan",
    "atan2",
    "sinh",
    "cosh",
    "tanh",
    "asinh",
    "acosh",
    "atanh",
  ],
  ...["exp", "expm1", "log", "log2", "log10", "log1p", "pow", "cbrt", "hypot"],
];

/** Nothing in core reads a clock, draws a random number or knows a browser: a run repeats, and tests in milliseconds. */
const pureCore = {
  files: ["core/src/**/*.ts"],
  ignores: ["core/src/**/*.test.ts", "core/src/testing/**"],
  rules: {
    "no-restricted-globals": [
      "error",
      ...["window", "document", "navigator", "localStorage", "fetch", "performance", "crypto", "process"].map(
        (name) => ({ name, message: "core/ knows neither browser nor Node." }),
      ),
      ...["setTimeout", "setInterval", "queueMicrotask", "requestAnimationFrame"].map((name) => ({
        name,
        message: "core/ waits for nothing: time is handed in.",
      })),
      { name: "Intl", message: "What it gives differs between engines." },
    ],
    "no-restricted-properties": [
      "error",
      { object: "Math", property: "random", message: "Chance is handed in as a seed." },
      { object: "Date", property: "now", message: "Time is handed in." },
      ...engineMaths.map((property) => ({
        object: "Math",
        property,
        message:
          "It differs in the last bit between engines: use quantity/trig, or sums, products and roots.",
      })),
    ],
    "no-restricted-syntax": [
      "error",
      {
        selector: "NewExpression[callee.name=/^(Date|UTCDate)$/][arguments.length=0]",
        message: "Time is handed in.",
      },
      {
        selector: "MemberExpression[property.name='localeCompare']",
        message: "Order differs between engines: compare with < and >.",
      },
      {
        selector: ":matches(BinaryExpression[operator='**'], AssignmentExpression[operator='**='])",
        message: "A power differs in the last bit between engines: multiply.",
      },
    ],
  },
};

export default tseslint.config(
  {
    ignores: [
      "**/dist/**",
      "**/dist-*/**",
      "**/node_modules/**",
      "data/**",
      "test-results/**",
      "coverage/**",
      "playwright-report/**",
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    languageOptions: { globals: { ...globals.node } },
    rules: {
      "@typescript-eslint/consistent-type-imports": "error",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
      eqeqeq: "error",
    },
  },
  { files: ["server/**/*.ts"], rules: { "no-restricted-imports": ["error", { patterns: [noWeb] }] } },
  {
    files: ["web/**/*.{ts,tsx}"],
    languageOptions: { globals: { ...globals.browser } },
    rules: { "no-restricted-imports": ["error", { patterns: [noServer] }] },
  },
  ...layerRules("core/src", coreLayers, [noFramework]),
  ...stageRules,
  pureCore,
  ...layerRules("web/src", webLayers, [noServer], [solvers]),
  {
    files: ["web/src/planner/planner.ts", "web/src/planner/live/host.ts"],
    rules: restricted([noServer, ...orderOf(webLayers, "planner")]),
  },
  {
    files: ["web/**/*.{ts,tsx}"],
    ignores: ["**/*.test.{ts,tsx}"],
    plugins: { "react-hooks": reactHooks },
    rules: { ...reactHooks.configs.recommended.rules },
  },
  {
    files: ["**/*.test.{ts,tsx}", "**/testing/**"],
    rules: { "no-restricted-imports": "off" },
  },
);
