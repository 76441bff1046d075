import loadHighs from "highs";
import lpPeer from "javascript-lp-solver";
import { referenceEt } from "@sprunel/core/climate";
import { lpSolver, recipe } from "@sprunel/core/feed/recipe";
import { lateral } from "@sprunel/core/irrigation";
import { dayPlan } from "@sprunel/core/schedule";
import { figure, percentile, timed } from "./measure.mjs";

/** The core alone. */
export async function sums() {
  const ROUNDS = 20_000;
  const uccle = {
    tMaxC: 21.5,
    tMinC: 12.3,
    rhMaxPct: 84,
    rhMinPct: 63,
    windMs: 2.78,
    windHeightM: 10,
    sunshineH: 9.25,
  };
  const etMs = await timed(() => {
    for (let round = 0; round < ROUNDS; round++)
      referenceEt({
        method: "penman-monteith-daily",
        latitudeDeg: 50.8,
        elevationM: 100,
        date: "2026-07-06",
        weather: uccle,
      });
  });
  await figure("reference evapotranspiration with its working", (etMs * 1000) / ROUNDS, "µs", 100);

  const tape = {
    lengthM: 250,
    insideDiameterMm: 20,
    emitterSpacingM: 0.5,
    emitter: { flowLh: 1.6, atKpa: 100, exponent: 0.48, cv: 0.04 },
    inletKpa: 120,
    temperatureC: 20,
  };
  const solvedLaterals = [];
  for (let round = 0; round < 60; round++) solvedLaterals.push(await timed(() => lateral(tape)));
  await figure("lateral of 500 emitters, warm, p95", percentile(solvedLaterals.slice(10), 0.95), "ms", 5);

  const nursery = {
    pump: { maxLh: 13_000 },
    mixers: ["a", "b"].map((id) => ({ id, maxLh: 8000, rinseMin: 3 })),
    zones: Array.from({ length: 40 }, (_, at) => ({
      id: `zone ${at}`,
      litres: 1500 + ((at * 977) % 2500),
      flowLh: 2500 + ((at * 1409) % 3000),
      recipeId: `recipe ${at % 4}`,
      windows: [{ startS: 7 * 3600, endS: 18 * 3600 }],
      pulses: 8,
      minGapMin: 20,
      priority: 1 + (at % 3),
    })),
  };
  await figure(
    "day plan of 40 zones × 8 pulses, first plan, cold",
    await timed(() => dayPlan(nursery, () => false)),
    "ms",
    300,
  );
  const warm = [];
  for (let round = 0; round < 5; round++) warm.push(await timed(() => dayPlan(nursery, () => false)));
  await figure("the same, warm", percentile(warm, 0.5), "ms", 150);
  const searched = (asked) => {
    const until = performance.now() + 3000;
    return dayPlan(asked, () => performance.now() < until).gapPct;
  };
  await figure("the same after 3 s, pump loaded to 77 %, gap to its bound", searched(nursery), "%", 0.5);
  const litres = nursery.zones.reduce((sum, zone) => sum + zone.litres, 0);
  const full = { ...nursery, pump: { maxLh: litres / 11 / 0.95 } };
  await figure("the same, pump loaded to 95 %", searched(full), "%", 0.5);
  const alike = { ...full, zones: full.zones.map((zone) => ({ ...zone, priority: 1 })) };
  await figure("the same, all zones of one priority: no litre counts less than another", searched(alike), "%", 0.5);

  const solver = lpSolver(await loadHighs());
  let bare = 0;
  const programs = [];
  const watched = (program) => {
    const begin = performance.now();
    const answer = solver(program);
    bare += performance.now() - begin;
    if (programs.length < MOST_PROGRAMS) programs.push([program, answer]);
    return answer;
  };
  const SHELF =
    "calcium-nitrate calcium-chloride-2w potassium-nitrate potassium-sulphate potassium-chloride monopotassium-phosphate monoammonium-phosphate magnesium-sulphate-7w magnesium-nitrate-6w ammonium-nitrate ammonium-sulphate nitric-acid-60 phosphoric-acid-75 iron-dtpa-6 manganese-sulphate-1w zinc-sulphate-7w copper-sulphate-5w boric-acid borax-10w sodium-molybdate-2w".split(
      " ",
    );
  const question = {
    water: { ions: { Ca: 2.1, Mg: 0.6, Na: 0.9, K: 0.1, Cl: 0.8, SO4: 0.4, HCO3: 4.7 }, ph: 7.4, temperatureC: 15 },
    target: {
      ions: {
        NO3: 16,
        H2PO4: 1.5,
        SO4: 4.4,
        NH4: 1.2,
        K: 9.5,
        Ca: 5.4,
        Mg: 2.4,
        Fe: 25,
        Mn: 10,
        Zn: 5,
        B: 30,
        Cu: 0.75,
      },
      ph: 5.8,
    },
    products: SHELF.map((id) => ({ id })),
  };
  const solves = [];
  const shares = [];
  for (let round = 0; round < 60; round++) {
    bare = 0;
    const ms = await timed(() => void recipe(question, watched));
    if (round < 10) continue;
    solves.push(ms);
    shares.push(bare);
  }
  await figure("recipe of 12 ions from 20 products in 2 tanks, warm, p95", percentile(solves, 0.95), "ms", 50, {
    name: "its bare solve times",
    value: percentile(shares, 0.95),
  });
  await againstPeer(programs);
}

/** The first recipe's programs are enough to hold two solvers against each other. */
const MOST_PROGRAMS = 24;

/** The same programs put to another solver: what it reaches, and how long it takes. */
async function againstPeer(programs) {
  let worst = 0;
  let unsolved = 0;
  let ours = 0;
  let theirs = 0;
  for (const [program, answer] of programs) {
    const model = peerModel(program);
    const start = performance.now();
    const found = lpPeer.Solve(model);
    theirs += performance.now() - start;
    if (answer.status !== "optimal") continue;
    if (!found.feasible) {
      unsolved++;
      continue;
    }
    const off = (answer.objective - found.result) / Math.max(1e-6, Math.abs(found.result));
    worst = Math.max(worst, off);
    ours++;
  }
  await figure(
    `worst objective of ${ours} programs over javascript-lp-solver's (it finds no answer to ${unsolved} that have one)`,
    worst * 100,
    "%",
    0.01,
  );
  return theirs;
}

function peerModel({ cost, upper, rows }) {
  const variables = Object.fromEntries(cost.map((amount, at) => [`x${at}`, { cost: amount }]));
  const constraints = {};
  rows.forEach(({ least, most, terms }, at) => {
    if (least === most) constraints[`r${at}`] = { equal: least };
    else
      constraints[`r${at}`] = {
        ...(Number.isFinite(least) && { min: least }),
        ...(Number.isFinite(most) && { max: most }),
      };
    for (const [column, coefficient] of terms)
      variables[`x${column}`][`r${at}`] = (variables[`x${column}`][`r${at}`] ?? 0) + coefficient;
  });
  upper.forEach((most, at) => {
    if (!Number.isFinite(most)) return;
    constraints[`u${at}`] = { max: most };
    variables[`x${at}`][`u${at}`] = 1;
  });
  return { optimize: "cost", opType: "min", constraints, variables };
}
