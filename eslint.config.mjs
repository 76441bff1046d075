import prettier from "eslint-config-prettier";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

const ROOMS = ["site", "climate", "water", "feed", "irrigation", "rootzone", "crop", "harvest"];

/** Layers point down only: what a workspace must not import. */
const forbidden = {
  core: ["@sprunel/*"],
  contract: ["@sprunel/*"],
  field: ["@sprunel/contract", "@sprunel/server", "@sprunel/web", "@sprunel/demo"],
  server: ["@sprunel/field", "@sprunel/web", "@sprunel/demo"],
  web: ["@sprunel/server", "@sprunel/field", "@sprunel/demo"],
};

const layers = Object.entries(forbidden).map(([layer, patterns]) => ({
  files: [`${layer}/src/**/*.{ts,tsx}`],
  rules: {
    "no-restricted-imports": [
      "error",
      {
        patterns: [
          { group: patterns, message: "Layers point down: web → server → core; web and server meet in contract." },
          {
            regex: String.raw`^(\.\./)+(core|contract|server|web|field|demo)/`,
            message: "Import a workspace by its name.",
          },
          ...(layer === "web"
            ? [{ regex: "^antd($|/lib)", message: "Import antd/es/<component>, or nothing splits." }]
            : []),
        ],
      },
    ],
  },
}));

export default tseslint.config(
  { ignores: ["**/dist/", "**/.types/", "**/node_modules/", ".data/", "test-results/"] },
  ...tseslint.configs.strictTypeChecked.map((config) => ({ ...config, files: ["**/*.{ts,tsx}"] })),
  {
    files: ["**/*.{ts,tsx}"],
    languageOptions: {
      parserOptions: {
        projectService: { allowDefaultProject: ["vitest.config.ts", "vitest.setup.ts", "web/vite.config.ts"] },
        tsconfigRootDir: import.meta.dirname,
      },
    },
    linterOptions: { reportUnusedDisableDirectives: "error" },
    rules: {
      "@typescript-eslint/explicit-module-boundary-types": "off",
      "@typescript-eslint/no-unused-vars": [
        "error",
        { argsIgnorePattern: "^_", varsIgnorePattern: "^_", ignoreRestSiblings: true },
      ],
      "@typescript-eslint/restrict-template-expressions": ["error", { allowNumber: true }],
      "@typescript-eslint/no-confusing-void-expression": ["error", { ignoreArrowShorthand: true }],
      "@typescript-eslint/consistent-type-imports": "error",
      // void marks a promise that is let go on purpose
      "@typescript-eslint/no-meaningless-void-operator": "off",
      "@typescript-eslint/consistent-type-definitions": "off",
      // services are closures: nothing here is bound to `this`
      "@typescript-eslint/unbound-method": "off",
      // an index signature and a known key read alike
      "@typescript-eslint/dot-notation": "off",
    },
  },
  ...layers,
  {
    files: ["core/src/**/*.ts"],
    ignores: ["**/*.test.ts"],
    rules: {
      "no-restricted-globals": [
        "error",
        "fetch",
        "process",
        "setTimeout",
        "setInterval",
        "performance",
        "crypto",
        "window",
        "document",
        "console",
      ],
      "no-restricted-properties": [
        "error",
        { object: "Math", property: "random", message: "Chance comes in as an argument." },
        { object: "Date", property: "now", message: "Time comes in as an argument." },
      ],
      "no-restricted-syntax": [
        "error",
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: "Time comes in as an argument." },
      ],
    },
  },
  {
    // A domain room of the core stands on shared basics and on other rooms, never on what is built from several.
    files: ROOMS.map((room) => `core/src/${room}/**/*.ts`),
    rules: {
      "no-restricted-imports": [
        "error",
        {
          patterns: [
            {
              regex: String.raw`^@sprunel/|^node:|/(plan|season|trial|advice)/`,
              message: "Rooms do not know what is built on them, nor any other workspace.",
            },
          ],
        },
      ],
    },
  },
  { files: ["core/src/**/*.test.ts"], rules: { "no-restricted-imports": "off" } },
  { files: ["web/src/**/*.{ts,tsx}"], ...reactHooks.configs.flat["recommended-latest"] },
  {
    files: ["**/*.test.ts", "**/testing/*.ts", "e2e/*.ts"],
    rules: {
      "@typescript-eslint/no-unsafe-assignment": "off",
      "@typescript-eslint/no-unnecessary-condition": "off",
    },
  },
  prettier,
);
