import prettier from "eslint-config-prettier";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";
import { roomRules } from "./eslint.rooms.mjs";

const timeComesIn = {
  selector: "NewExpression[callee.name='Date'][arguments.length=0]",
  message: "Time comes in as an argument.",
};

/** No comparison with a growing system's name, no switch and no record over them: ask what its module says of it. */
const SYSTEM_NAME = "/^(soil-drip|substrate|solution-tank|sub-irrigated-bench|buried-drip|basin)$/";
const noSystemByName = [
  `BinaryExpression[operator=/^[!=]==?$/] > Literal[value=${SYSTEM_NAME}]`,
  `SwitchCase > Literal[value=${SYSTEM_NAME}]`,
  `ObjectExpression > Property > Literal.key[value=${SYSTEM_NAME}]`,
  "ObjectExpression > Property > Identifier.key[name=/^(substrate|basin)$/]",
].map((selector) => ({
  selector,
  message: "Ask the growing system's module (systems/ of the core or of web) what it does, not which it is.",
}));

export default tseslint.config(
  { ignores: ["**/dist/", "**/.types/", "**/node_modules/", ".data/", ".cache/", "test-results/"] },
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
  {
    // what nobody waits for is given to the background, which tells of what fails
    files: ["server/src/**/*.ts", "demo/src/**/*.ts", "field/src/**/*.ts"],
    rules: { "@typescript-eslint/no-floating-promises": ["error", { ignoreVoid: false }] },
  },
  ...roomRules,
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
      "no-restricted-syntax": ["error", timeComesIn],
    },
  },
  {
    // Only a growing system's own module knows its name; the compute API of one zone's water names its two forms by them.
    files: ["core/src/**/*.ts", "server/src/**/*.ts", "contract/src/**/*.ts", "demo/src/**/*.ts", "field/src/**/*.ts"],
    ignores: [
      "core/src/systems/**",
      "core/src/site/zone*.ts",
      "*/src/irrigation/zone-water*.ts",
      "server/src/database/migrations/**",
      "**/*.test.ts",
      "**/testing/**",
    ],
    rules: { "no-restricted-syntax": ["error", timeComesIn, ...noSystemByName] },
  },
  {
    files: ["web/src/**/*.{ts,tsx}"],
    ignores: ["web/src/systems/**", "**/*.test.{ts,tsx}", "web/src/testing/**"],
    rules: { "no-restricted-syntax": ["error", ...noSystemByName] },
  },
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
