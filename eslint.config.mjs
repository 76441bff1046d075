// What is ours: rooms, names, what the core may touch. Everything else is asked in .oxlintrc.json, which knows the types and React.
import parser from "@typescript-eslint/parser";
import { defineConfig } from "eslint/config";
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

const SQL_OF_SQLITE = "/json_each|json_object|json_group|->>|PRAGMA|sqlite_master|total_changes/";
const noSqlOfSqlite = ["TemplateElement[value.raw=", "Literal[value="].map((start) => ({
  selector: `${start}${SQL_OF_SQLITE}]`,
  message: "SQL that only SQLite has stands in database/, as in listed.ts.",
}));
const writesAreTold = {
  selector:
    "CallExpression[callee.property.name=/^(insert|update|delete|del)$/] > .callee CallExpression[callee.name='db']",
  message: "Write through into({ table, zones, from }): whoever rests on the rows must hear of it.",
};

export default defineConfig(
  { ignores: ["**/dist/", "**/.types/", "**/node_modules/", ".data/", ".cache/", "test-results/"] },
  { files: ["**/*.{ts,tsx}"], languageOptions: { parser } },
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
    // What only SQLite knows stands in one room, and rows are written where whoever rests on them hears of it.
    files: ["server/src/**/*.ts"],
    ignores: ["server/src/database/**", "**/*.test.ts", "**/testing/**"],
    rules: {
      "no-restricted-syntax": ["error", timeComesIn, ...noSystemByName, ...noSqlOfSqlite, writesAreTold],
    },
  },
  {
    files: ["web/src/**/*.{ts,tsx}"],
    ignores: ["web/src/systems/**", "**/*.test.{ts,tsx}", "web/src/testing/**"],
    rules: { "no-restricted-syntax": ["error", ...noSystemByName] },
  },
);
