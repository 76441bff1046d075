// Lines of tests beside lines of code, layer by layer: what is thinly tested is seen at every run.
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "./prepare.mjs";

const LAYERS = ["core", "contract", "server", "web", "field", "demo", "scripts", "e2e"];
const CODE = /\.(ts|tsx|mjs)$/;
/** What only tests stand on. */
const TEST = /(\.(test|spec)\.\w+$)|(^|\/)testing\/|^e2e\/|-for-tests\./;

function files(folder) {
  return readdirSync(join(root, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = `${folder}/${entry.name}`;
    if (entry.isDirectory()) return ["node_modules", "dist", ".types"].includes(entry.name) ? [] : files(path);
    return CODE.test(entry.name) ? [path] : [];
  });
}

const lines = (paths) =>
  paths.reduce(
    (sum, path) =>
      sum +
      readFileSync(join(root, path), "utf8")
        .split("\n")
        .filter((line) => line.trim() !== "").length,
    0,
  );

/** One row a layer, and all of them together. */
export function testShare() {
  const rows = LAYERS.map((layer) => {
    const all = files(layer);
    const tests = all.filter((path) => TEST.test(path));
    return { layer, code: lines(all.filter((path) => !TEST.test(path))), tests: lines(tests) };
  });
  const sum = (key) => rows.reduce((total, row) => total + row[key], 0);
  return [...rows, { layer: "all", code: sum("code"), tests: sum("tests") }].map((row) => ({
    ...row,
    "tests per 100 of code": row.code > 0 ? Math.round((100 * row.tests) / row.code) : "–",
  }));
}
