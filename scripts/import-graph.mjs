// Which files of the project import which, read from their import lines: tells which tests are nearest to a change.
import { existsSync, readdirSync, readFileSync } from "node:fs";
import { dirname, join, normalize } from "node:path";
import { root } from "./prepare.mjs";

const LAYERS = ["core", "contract", "field", "server", "demo", "web"];
const CODE = /\.tsx?$/;
export const isTest = (file) => /\.test\.tsx?$/.test(file);

function filesBelow(folder) {
  return readdirSync(join(root, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = `${folder}/${entry.name}`;
    if (entry.isDirectory()) return filesBelow(path);
    return CODE.test(entry.name) ? [path] : [];
  });
}

/** All source files, relative to the root. */
export const sources = () => LAYERS.flatMap((layer) => filesBelow(`${layer}/src`));

/** The file that an import leads to, or nothing for a package from outside. */
function target(from, specifier) {
  if (specifier.startsWith(".")) return normalize(join(dirname(from), specifier));
  const [, layer, room = ""] = /^@sprunel\/(\w+)\/?(.*)$/.exec(specifier) ?? [];
  if (!layer) return undefined;
  return [`${layer}/src/${room}/index.ts`, `${layer}/src/${room}.ts`]
    .map(normalize)
    .find((path) => existsSync(join(root, path)));
}

/** By file, those that import it. */
export function importers() {
  const found = new Map();
  for (const file of sources()) {
    const text = readFileSync(join(root, file), "utf8");
    for (const [, specifier] of text.matchAll(/(?:from|import\()\s*"([^"]+)"/g)) {
      const path = target(file, specifier);
      if (path) found.set(path, [...(found.get(path) ?? []), file]);
    }
  }
  return found;
}

const [layerOf, roomOf] = [0, 2].map((at) => (file) => file.split("/")[at]);

/**
 * Tests that reach a file by imports, nearest first: the one beside it, those of its room, those of the room of that name in
 * another layer, then the others; among these by how many imports away they are.
 *
 * @param graph of `importers()`
 * @returns `{ test, group, away }`, group 0 to 3 in the order above
 */
export function nearestTests(graph, file) {
  const away = new Map([[file, 0]]);
  const queue = [file];
  for (let at = queue.shift(); at !== undefined; at = queue.shift())
    for (const importer of graph.get(at) ?? [])
      if (!away.has(importer)) {
        away.set(importer, away.get(at) + 1);
        queue.push(importer);
      }
  const groupOf = (test) => {
    if (test.replace(/\.test\.tsx?$/, "") === file.replace(CODE, "")) return 0;
    if (roomOf(test) !== roomOf(file)) return 3;
    return layerOf(test) === layerOf(file) ? 1 : 2;
  };
  return [...away.keys()]
    .filter(isTest)
    .map((test) => ({ test, group: groupOf(test), away: away.get(test) }))
    .sort((a, b) => a.group - b.group || a.away - b.away || a.test.localeCompare(b.test));
}
