import js from "@eslint/js";
import reactHooks from "eslint-plugin-react-hooks";
import globals from "globals";
import tseslint from "typescript-eslint";

/** Folders of core, lowest first: each may import only from folders before it. */
const coreLayers = [
  "quantity",
  "finding",
  "board",
  "device",
  "job",
  "circuit",
  "wiring",
  "controls",
  "runsheet",
  "record",
];

/** Folders of web, lowest first. */
const webLayers = ["theme", "ui", "data", "bench", "stations"];

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

/** One rule set a folder: no import from a later folder, and of earlier ones only their index. */
function layerRules(root, layers, forbidden) {
  return layers.map((layer, at) => ({
    files: [`${root}/${layer}/**/*.{ts,tsx}`],
    rules: {
      "no-restricted-imports": [
        "error",
        {
          patterns: [
            ...forbidden,
            ...layers.slice(at + 1).map((later) => ({
              regex: `^(\\.\\./)+${later}/`,
              message: `${layer}/ stands below ${later}/: imports go downwards only.`,
            })),
            {
              regex: `^(\\.\\./)+(${layers.filter((l) => l !== layer).join("|")})/(?!index\\.ts$)`,
              message: "Another folder is reached through its index.ts only.",
            },
          ],
        },
      ],
    },
  }));
}

const noFramework = {
  group: framework,
  message: "core/ is pure: no framework, no Node, no DOM.",
};
const noServer = { group: ["@anvilcloud/server", "**/server/**"], message: "web/ does not know server/." };
const noWeb = { group: ["@anvilcloud/web", "**/web/**"], message: "server/ does not know web/." };

export default tseslint.config(
  { ignores: ["**/dist/**", "**/node_modules/**", "data/**", "test-results/**", "playwright-report/**"] },
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
  { files: ["web/**/*.{ts,tsx}"], rules: { "no-restricted-imports": ["error", { patterns: [noServer] }] } },
  ...layerRules("core/src", coreLayers, [noFramework]),
  ...layerRules("web/src", webLayers, [noServer]),
  {
    files: ["web/**/*.{ts,tsx}"],
    plugins: { "react-hooks": reactHooks },
    languageOptions: { globals: { ...globals.browser } },
    rules: { ...reactHooks.configs.recommended.rules },
  },
  {
    files: ["**/*.test.ts"],
    rules: { "no-restricted-imports": "off" },
  },
);
