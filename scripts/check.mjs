// While writing: lint, format, types and the nearest tests of what changed since main. The whole of it is `npm test`.
import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { join } from "node:path";
import { importers, isTest, nearestTests } from "./import-graph.mjs";
import { install, root, typesAndBuild } from "./prepare.mjs";
import { Steps } from "./steps.mjs";

/** The farther tests are left to `npm test`. */
const MOST_TESTS = 12;
const CODE = /\.(ts|tsx|mjs)$/;

const git = (...args) => spawnSync("git", args, { cwd: root, encoding: "utf8" });
const lines = (text) => text.split("\n").filter(Boolean);

/** What differs from main as others have it: from where this branch left it, with what is not committed yet. */
function changedFiles() {
  const main = ["origin/main", "main"].find((name) => git("rev-parse", "--verify", "-q", name).status === 0);
  const base = main ? git("merge-base", main, "HEAD").stdout.trim() : "HEAD";
  const names = [
    ...lines(git("diff", "--name-only", base).stdout),
    ...lines(git("ls-files", "--others", "--exclude-standard").stdout),
  ];
  return [...new Set(names)].filter((file) => existsSync(join(root, file)));
}

install();
const changed = changedFiles();
if (changed.length === 0) {
  console.log("Nothing differs from main.");
  process.exit(0);
}
const code = changed.filter((file) => CODE.test(file));
const graph = importers();
const tests = new Map();
for (const file of code.filter((name) => /^(?!e2e|scripts)/.test(name)))
  for (const found of isTest(file) ? [{ test: file, group: 0, away: 0 }] : nearestTests(graph, file)) {
    const known = tests.get(found.test);
    if (!known || found.group < known.group || (found.group === known.group && found.away < known.away))
      tests.set(found.test, found);
  }
const nearest = [...tests.values()].sort((a, b) => a.group - b.group || a.away - b.away).slice(0, MOST_TESTS);
const files = nearest.map(({ test }) => test);

const steps = new Steps();
const cache = (name) => ["--cache", "--cache-strategy", "content", "--cache-location", `.cache/${name}`];
const lint = (async () => {
  const typed = code.filter((file) => /\.tsx?$/.test(file));
  if (typed.length > 0) await steps.run("lint that knows the types and React", ["oxlint", ...typed], { quiet: true });
  const rooms = ["eslint", ...code, "--max-warnings", "0", "--no-warn-ignored", ...cache("eslint")];
  if (code.length > 0) await steps.run("lint of rooms and names", rooms, { quiet: true });
  await steps.run("format", ["prettier", "--check", "--ignore-unknown", "--log-level", "warn", ...changed], {
    quiet: true,
  });
})();
await steps.run("types", typesAndBuild, { quiet: true });
if (files.length > 0) await steps.run("nearest tests", ["vitest", "run", ...files]);
await lint;
steps.print();
console.log(
  `\n${changed.length} files differ from main; ${files.length} test files of ${tests.size} that reach them were run` +
    (changed.some((file) => file.startsWith("e2e/")) ? ", and no browser test." : "."),
);
process.exit(steps.ended.every(({ ok }) => ok) ? 0 : 1);
