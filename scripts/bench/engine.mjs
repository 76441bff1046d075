import { advance, rootZone, stateOf } from "@sprunel/core/course";
import { figuresOf, FLUX_SLOTS, HOUR_SLOTS } from "@sprunel/core/rootzone";
import { fieldsOf, SYSTEMS } from "@sprunel/core/systems";
import { figure, percentile, timed } from "./measure.mjs";

const HOURS = 200 * 24;
const ROUNDS = 100;

/** A season of every growing system, demand given, beside a bare loop of the same recurrences. */
export async function engine() {
  const hours = new Float64Array(HOURS * HOUR_SLOTS);
  for (let at = 0; at < HOURS; at++)
    hours.set(
      [0.2 + 0.2 * Math.sin(at / 4), at % 90 === 0 ? 6 : 0, at % 20 === 0 ? 5 : 0, 2, 150, 1.2, 0.002],
      at * HOUR_SLOTS,
    );
  const flux = new Float64Array(HOURS * FLUX_SLOTS);
  const works = Object.entries(SYSTEMS).map(([name, system]) => {
    const fields = Object.fromEntries(fieldsOf(name).map(({ key, start }) => [key, start?.value ?? 200]));
    const store = system.store({ system: name, ...fields }, { depthM: 0.5, depletionFraction: 0.4, drierPct: 0 });
    const figures = figuresOf(store);
    return {
      name,
      work: () => advance(store, stateOf(store, 0, 1), hours, flux, 0, HOURS),
      peer: () => bareLoop(figures, hours, flux),
    };
  });
  // All systems in turn, as a board walks them, before any is timed.
  for (let round = 0; round < ROUNDS; round++)
    for (const { work, peer } of works) {
      work();
      peer();
    }
  for (const { name, work, peer } of works)
    await figure(
      `200 days of hours of a ${name} zone: water, salt, nitrogen, warm median`,
      await median(work),
      "ms",
      12,
      {
        name: "plain typed-array loop",
        value: await median(peer),
      },
    );
  await withIons();
}

/** The same season as a person asks for it, with pH and eleven ions hour by hour. */
async function withIons() {
  const feed = { NO3: 14, NH4: 1, H2PO4: 1, K: 6, Ca: 4, Mg: 2, SO4: 2, Cl: 0.5, Na: 0.5, HCO3: 0.5 };
  const hours = Array.from({ length: HOURS }, (_, at) => ({
    demandMm: 0.2 + 0.2 * Math.sin(at / 4),
    waterMm: at % 3 === 0 ? 0.8 : 0,
    ecMsCm: 2,
    ionsMmolL: feed,
  }));
  const fields = Object.fromEntries(fieldsOf("substrate").map(({ key, start }) => [key, start?.value ?? 200]));
  const ask = {
    zone: { system: "substrate", ...fields },
    hours,
    ions: { startMmolL: feed, uptakeMmolL: { NO3: 10, NH4: 1, H2PO4: 0.8, K: 5, Ca: 2.5, Mg: 1.2, SO4: 1 } },
  };
  const ionsMs = await median(() => rootZone(ask));
  await figure("the same of a substrate zone with pH and single ions, warm median", ionsMs, "ms", 60);
}

async function median(work) {
  const took = [];
  for (let round = 0; round < ROUNDS; round++) took.push(await timed(work));
  return percentile(took, 0.5);
}

/** The same recurrences as a plain loop over typed arrays, with nothing around them. */
function bareLoop(figures, hours, flux) {
  const [full, available, easy, over, drains, seeps, efficient, returns] = figures;
  let [water, salt, nitrogen] = [full, full, 0];
  for (let at = 0; at < HOURS; at++) {
    const slot = at * HOUR_SLOTS;
    const given = hours[slot + 2];
    const lost = given * (1 - efficient);
    let stored = given - lost;
    const back = returns === 1 ? Math.max(0, stored - Math.max(0, full - water)) : 0;
    stored -= back;
    const wet = water + stored + hours[slot + 1];
    const got = Math.max(0, available - (full - wet));
    const stress = easy >= available ? 1 : Math.min(1, Math.max(0, (available - full + wet) / (available - easy)));
    const taken = Math.min(hours[slot] * stress, got);
    const left = wet - taken;
    const seep = Math.min(seeps, got - taken);
    const drained = seep + Math.max(0, left - seep - full) * drains;
    const overflow = Math.max(0, left - drained - full - over);
    const share = left > 0 ? (drained + overflow) / left : 0;
    const brought = salt + stored * hours[slot + 3];
    const saltTaken = Math.min(taken * hours[slot + 5], brought);
    const n = nitrogen + (stored * hours[slot + 4]) / 1000;
    const nTaken = Math.min(hours[slot + 6], n);
    const saltGone = (brought - saltTaken) * share;
    const nGone = (n - nTaken) * share;
    water = left - drained - overflow;
    salt = brought - saltTaken - saltGone;
    nitrogen = n - nTaken - nGone;
    const out = at * FLUX_SLOTS;
    flux[out] = taken;
    flux[out + 1] = hours[slot] - taken;
    flux[out + 2] = drained + back;
    flux[out + 3] = lost;
    flux[out + 4] = overflow;
    flux[out + 5] = given * hours[slot + 3];
    flux[out + 6] = saltGone + (lost + back) * hours[slot + 3];
    flux[out + 7] = saltTaken;
    flux[out + 8] = (given * hours[slot + 4]) / 1000;
    flux[out + 9] = nGone + ((lost + back) * hours[slot + 4]) / 1000;
    flux[out + 10] = nTaken;
    flux[out + 11] = saltGone;
  }
}
