// Every property of core and server with further seeds: many times the draws of one run of `npm test`.
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { isTest, sources } from "../import-graph.mjs";
import { root } from "../prepare.mjs";
import { Steps } from "../steps.mjs";

const SEEDS = [101, 202, 303, 404, 505, 606, 707, 808];

export async function statistics() {
  const files = sources().filter(
    (file) =>
      isTest(file) && /from "fast-check"/.test(readFileSync(join(root, file), "utf8")) && !file.startsWith("web/"),
  );
  console.log(`${files.length} files with properties, ${SEEDS.length} seeds`);
  const steps = new Steps();
  for (const seed of SEEDS)
    await steps.run(`seed ${seed}`, ["vitest", "run", "--reporter=dot", ...files], {
      quiet: true,
      env: { SPRUNEL_SEED: String(seed), NO_COLOR: "1" },
    });
  steps.print();
  return steps.ended.every(({ ok }) => ok);
}
