// Everything that must hold: lint and dependency rules, types, unit, server and browser tests.
// The last line is `N passed, N failed` over all of them; a step that only passes or fails counts as one.
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join, relative } from "node:path";
import { chromium, install, root, typesAndBuild } from "./prepare.mjs";
import { Steps, printSlowest } from "./steps.mjs";
import { testShare } from "./test-share.mjs";

const results = join(root, "test-results");
const browserReport = join(results, "e2e.json");
/** Of vitest.config.ts. */
const PROJECTS = { pure: "tests of core and contract", node: "tests of server and demo", web: "tests of pages" };
const template = join(results, "quillbrook");
const steps = new Steps();
const files = [];
let passed = 0;
let failed = 0;

function count(good, bad) {
  passed += good;
  failed += bad;
}

/** A step without a count of its own. */
async function step(...how) {
  const ok = await steps.run(...how);
  count(ok ? 1 : 0, ok ? 0 : 1);
}

/** A test runner that writes its counts; when it dies before that, the whole suite counts as one failure. */
async function suite(name, args, report, read) {
  const ok = await steps.run(name, args, { env: { SPRUNEL_TEMPLATE: template } });
  if (!existsSync(report)) return count(0, 1);
  const { good, bad, files: timed } = read(JSON.parse(readFileSync(report, "utf8")));
  count(good, ok ? bad : Math.max(1, bad));
  files.push(...timed);
}

const readUnit = ({ numPassedTests, numFailedTests, numPendingTests, testResults }) => ({
  good: numPassedTests,
  bad: numFailedTests + numPendingTests,
  files: testResults.map(({ name, startTime, endTime }) => ({ file: relative(root, name), ms: endTime - startTime })),
});

const testsBelow = ({ specs = [], suites = [] }) => [
  ...specs.flatMap(({ tests }) => tests),
  ...suites.flatMap(testsBelow),
];
const readBrowser = ({ stats, suites }) => ({
  good: stats.expected,
  bad: stats.unexpected + stats.flaky + stats.skipped,
  files: suites.map((inFile) => ({
    file: `e2e/${inFile.file}`,
    ms: testsBelow(inFile)
      .flatMap(({ results: tries }) => tries)
      .reduce((sum, { duration }) => sum + duration, 0),
  })),
});

/** What is built, and what the tests stand on. */
async function built() {
  await step("types and build of the server", typesAndBuild, { quiet: true });
  await step("build of the web application", ["npm", "run", "build", "-w", "web", "--silent"], { quiet: true });
  await step("Quillbrook's ninety days", [process.execPath, "scripts/quillbrook.mjs", template], { quiet: true });
}

async function linted() {
  const cache = ["--cache", "--cache-strategy", "content", "--cache-location"];
  await step("lint that knows the types and React", ["oxlint", "--format", "unix"], { quiet: true });
  await step("lint of rooms and names", ["eslint", ".", "--max-warnings", "0", ...cache, ".cache/eslint"], {
    quiet: true,
  });
  await step("format", ["prettier", "--check", "--log-level", "warn", ".", ...cache, ".cache/prettier"], {
    quiet: true,
  });
}

rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });
const begun = performance.now();
install();
// One core lints while the other builds and then tests.
const lint = linted();
await built();
// One after the other: mixed in one run, workers would load the modules of each kind anew for file after file.
for (const [project, name] of Object.entries(PROJECTS)) {
  const report = join(results, `${project}.json`);
  const how = ["--reporter=default", "--reporter=json", `--outputFile.json=${report}`];
  await suite(name, ["vitest", "run", "--project", project, ...how], report, readUnit);
}
await lint;
await steps.time("Chromium", chromium);
await suite("browser tests", ["playwright", "test", "-c", "e2e/playwright.config.ts"], browserReport, readBrowser);

console.log("\n— lines of tests beside lines of code");
console.table(testShare());
printSlowest(files);
steps.print();
console.log(`\nall of it: ${((performance.now() - begun) / 60_000).toFixed(1)} minutes`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
