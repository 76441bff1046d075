// Everything that must hold: lint and dependency rules, types, unit, server and browser tests.
// The last line is `N passed, N failed` over all of them; a step that only passes or fails counts as one.
import { spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { build, install, root } from "./prepare.mjs";
import { testShare } from "./test-share.mjs";

const CHROMIUM = "/usr/bin/chromium";
const results = join(root, "test-results");
let passed = 0;
let failed = 0;

function run(command, args) {
  const { status } = spawnSync(command, args, { cwd: root, stdio: "inherit" });
  return status === 0;
}

function count(good, bad) {
  passed += good;
  failed += bad;
}

/** A step without a count of its own. */
function step(name, args) {
  console.log(`\n— ${name}`);
  const ok = run("npx", ["--no-install", ...args]);
  count(ok ? 1 : 0, ok ? 0 : 1);
}

/** A test runner that writes its counts; when it dies before that, the whole suite counts as one failure. */
function suite(name, args, file, read) {
  console.log(`\n— ${name}`);
  const ok = run("npx", ["--no-install", ...args]);
  if (!existsSync(file)) return count(0, 1);
  const { good, bad } = read(JSON.parse(readFileSync(file, "utf8")));
  count(good, ok ? bad : Math.max(1, bad));
}

/** Debian's Chromium; without root only when it is there already. */
function chromium() {
  if (existsSync(CHROMIUM)) return;
  console.log("Installing Chromium from Debian's packages …");
  if (!run("apt-get", ["install", "-y", "-q", "chromium"])) {
    run("apt-get", ["update", "-q"]);
    run("apt-get", ["install", "-y", "-q", "chromium"]);
  }
}

rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });
install();
chromium();
build();
step("lint and dependency rules", ["eslint", ".", "--max-warnings", "0"]);
step("format", ["prettier", "--check", "--log-level", "warn", "."]);
step("types", ["tsc", "-b"]);
const unit = join(results, "unit.json");
suite(
  "unit, server and page tests",
  ["vitest", "run", "--reporter=default", "--reporter=json", `--outputFile.json=${unit}`],
  unit,
  (report) => ({
    good: report.numPassedTests,
    bad: report.numFailedTests + report.numPendingTests,
  }),
);
const browser = join(results, "e2e.json");
suite("browser tests", ["playwright", "test", "-c", "e2e/playwright.config.ts"], browser, ({ stats }) => ({
  good: stats.expected,
  bad: stats.unexpected + stats.flaky + stats.skipped,
}));
console.log("\n— lines of tests beside lines of code");
console.table(testShare());
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
