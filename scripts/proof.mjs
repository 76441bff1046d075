// What takes too long for every run: node scripts/proof.mjs [part …], all parts when none is named. Each prints its figures.
import { build, install } from "./prepare.mjs";

install();
await build();
const { kills } = await import("./proof/kills.mjs");
const { mutation } = await import("./proof/mutation.mjs");
const { statistics } = await import("./proof/statistics.mjs");

/** Each answers whether it holds. */
const PARTS = { kills, statistics, mutation };

const named = process.argv.slice(2);
const unknown = named.filter((name) => !(name in PARTS));
if (unknown.length > 0) {
  console.error(`There is no part ${unknown.join(", ")}; there are ${Object.keys(PARTS).join(", ")}.`);
  process.exit(1);
}
const rows = [];
for (const [name, part] of Object.entries(PARTS).filter(([name]) => named.length === 0 || named.includes(name))) {
  console.log(`\n— ${name}`);
  const start = performance.now();
  const holds = await part();
  rows.push({ part: name, minutes: ((performance.now() - start) / 60_000).toFixed(1), holds: holds ? "yes" : "NO" });
}
console.table(rows);
process.exit(rows.every(({ holds }) => holds === "yes") ? 0 : 1);
