import { Checks } from "../../working/checks.ts";
import { IONS, type Ion, type Ions } from "../../chemistry/ions.ts";
import { fill, Worksheet, type WorkingStep } from "../../working/working.ts";

/** An ion that plants hardly take: it stays in the loop. */
export interface StayingIon {
  readonly ion: "Na" | "Cl";
  /** in the water and all that is dosed, mmol/L */
  readonly incomingMmolL: number;
  /** in the loop today, mmol/L */
  readonly nowMmolL: number;
  /** most that the crop stands in the root zone, mmol/L */
  readonly limitMmolL: number;
  /** what is taken up, as a share of what is in the root zone, 0 to 1 */
  readonly uptakeShare: number;
}

export interface LoopInput {
  readonly ions: readonly StayingIon[];
  /** water that the crop takes up, L a m² and day */
  readonly waterLM2Day: number;
  /** water in root zone, lines and tanks, L/m² */
  readonly volumeLM2: number;
  readonly areaM2: number;
  /** nitrogen of the feed, mmol/L */
  readonly nitrogenMmolL: number;
  readonly waterPriceM3: number;
  readonly recipePriceM3: number;
  /** share of the feed that drains, %, 0 to 80 */
  readonly drainPct: number;
  readonly days: number;
}

interface LoopCourse {
  readonly ion: "Na" | "Cl";
  readonly limitMmolL: number;
  /** where it ends without discharge, mmol/L; null where it grows without end */
  readonly steadyMmolL: number | null;
  /** days until the limit; 0 when it is passed, null when it is never reached */
  readonly daysToLimit: number | null;
  /** mmol/L on each evening, without discharge */
  readonly course: readonly number[];
  /** L a m² and day to let off so that it stays at its limit; null where the water alone is over it */
  readonly dischargeLM2Day: number | null;
}

interface Losses {
  /** L a m² and day */
  readonly waterLM2Day: number;
  readonly waterM3Week: number;
  readonly nitrogenKgWeek: number;
  readonly costWeek: number;
}

export interface LoopAnswer {
  readonly courses: readonly LoopCourse[];
  /** what the discharge that the worst ion asks for takes along; null where no discharge can hold it */
  readonly loop: Losses | null;
  /** share of the drain to let off, %; null as above, or where nothing drains */
  readonly dischargePct: number | null;
  /** what comes in at most for all of the drain, let off, to keep each ion at its limit; told where less than all does not */
  readonly mostIncoming: readonly { readonly ion: string; readonly mmolL: number; readonly endsMmolL: number }[];
  /** the same zone with all of its drain let off */
  readonly open: Losses;
  readonly working: readonly WorkingStep[];
}

/**
 * Sodium and chloride in a closed loop, forward in time; the discharge that keeps them at the crop's limit, and what it costs.
 *
 * V·dC/dt = W·C_in − W·u·C without discharge, so C runs to C_in/u in a straight exponential; with discharge D the limit
 * is kept where (W + D)·C_in = (W·u + D)·C_limit.
 *
 * @throws {DomainError} for values that cannot be
 * @see Sonneveld & Voogt (2009), chapter 7; Carmassi et al. (2005), J. Plant Nutrition 28, for the exponential
 */
export function closedLoop(input: LoopInput): LoopAnswer {
  checkLoop(input);
  const { waterLM2Day, drainPct } = input;
  const sheet = new Worksheet();
  const courses = input.ions.map((ion) => courseOf(ion, input, sheet));
  const needed = courses.map(({ dischargeLM2Day }) => dischargeLM2Day);
  const worst = needed.some((litres) => litres === null) ? null : Math.max(0, ...needed.map((litres) => litres ?? 0));
  const drainLM2Day = (waterLM2Day * drainPct) / (100 - drainPct);
  sheet.note(
    "Drain",
    "water taken up · share / (1 − share)",
    fill`${waterLM2Day} × ${drainPct / 100} ÷ (1 − ${drainPct / 100})`,
    drainLM2Day,
    "L/m² a day",
    "drain share as entered",
  );
  return {
    courses,
    loop: worst === null ? null : lossesOf(worst, input, sheet, "closed"),
    dischargePct: worst === null || drainLM2Day === 0 ? null : (100 * worst) / drainLM2Day,
    mostIncoming: worst !== null && worst <= drainLM2Day ? [] : mostIncoming(input, drainLM2Day, sheet),
    open: lossesOf(drainLM2Day, input, sheet, "open"),
    working: sheet.steps,
  };
}

function courseOf(
  { ion, incomingMmolL, nowMmolL, limitMmolL, uptakeShare }: StayingIon,
  { waterLM2Day, volumeLM2, days }: LoopInput,
  sheet: Worksheet,
): LoopCourse {
  const steady = uptakeShare > 0 ? incomingMmolL / uptakeShare : null;
  const rate = (waterLM2Day * uptakeShare) / volumeLM2;
  const after = (day: number): number =>
    steady === null
      ? nowMmolL + (waterLM2Day * incomingMmolL * day) / volumeLM2
      : steady + (nowMmolL - steady) * Math.exp(-rate * day);
  if (steady !== null)
    sheet.note(
      `${ion} where it would end`,
      "incoming / share taken up",
      fill`${incomingMmolL} ÷ ${uptakeShare}`,
      steady,
      "mmol/L",
      "Sonneveld & Voogt (2009), chapter 7",
    );
  const daysToLimit =
    nowMmolL >= limitMmolL
      ? 0
      : steady === null
        ? incomingMmolL > 0
          ? ((limitMmolL - nowMmolL) * volumeLM2) / (waterLM2Day * incomingMmolL)
          : null
        : steady <= limitMmolL
          ? null
          : Math.log((steady - nowMmolL) / (steady - limitMmolL)) / rate;
  if (daysToLimit !== null)
    sheet.note(
      `${ion}, days to its limit`,
      steady === null
        ? "(limit − now) · volume / (water · incoming)"
        : "ln((end − now) / (end − limit)) · volume / (water · share)",
      steady === null
        ? fill`(${limitMmolL} − ${nowMmolL}) × ${volumeLM2} ÷ (${waterLM2Day} × ${incomingMmolL})`
        : fill`ln((${steady} − ${nowMmolL}) ÷ (${steady} − ${limitMmolL})) × ${volumeLM2} ÷ (${waterLM2Day} × ${uptakeShare})`,
      daysToLimit,
      "days",
      "balance of the loop; Carmassi et al. (2005)",
    );
  const surplus = incomingMmolL - uptakeShare * limitMmolL;
  const dischargeLM2Day =
    surplus <= 0 ? 0 : incomingMmolL >= limitMmolL ? null : (waterLM2Day * surplus) / (limitMmolL - incomingMmolL);
  if (dischargeLM2Day !== null)
    sheet.note(
      `${ion}, to let off at the limit`,
      "water · (incoming − share · limit) / (limit − incoming)",
      fill`${waterLM2Day} × (${incomingMmolL} − ${uptakeShare} × ${limitMmolL}) ÷ (${limitMmolL} − ${incomingMmolL})`,
      dischargeLM2Day,
      "L/m² a day",
      "balance of the loop at its limit",
    );
  return {
    ion,
    limitMmolL,
    steadyMmolL: steady,
    daysToLimit,
    course: Array.from({ length: days }, (_, day) => after(day + 1)),
    dischargeLM2Day,
  };
}

/** With all of the drain let off, (W + D)·C_in = (W·u + D)·C: what may come in for C to be the limit, and where C ends as it is. */
function mostIncoming(
  { ions, waterLM2Day }: LoopInput,
  drainLM2Day: number,
  sheet: Worksheet,
): LoopAnswer["mostIncoming"] {
  return ions.map(({ ion, incomingMmolL, limitMmolL, uptakeShare }) => {
    const leaves = waterLM2Day * uptakeShare + drainLM2Day;
    const comes = waterLM2Day + drainLM2Day;
    const mmolL = sheet.note(
      `${ion} that may come in at most`,
      "limit · (water · share + drain) / (water + drain)",
      fill`${limitMmolL} × (${waterLM2Day} × ${uptakeShare} + ${drainLM2Day}) ÷ ${comes}`,
      (limitMmolL * leaves) / comes,
      "mmol/L",
      "balance of the loop with all of its drain let off",
    );
    return { ion, mmolL, endsMmolL: leaves > 0 ? (incomingMmolL * comes) / leaves : Infinity };
  });
}

const GRAMS_N = 14.007;

function lossesOf(litresM2Day: number, input: LoopInput, sheet: Worksheet, which: "closed" | "open"): Losses {
  const { areaM2, nitrogenMmolL, waterPriceM3, recipePriceM3 } = input;
  const waterM3Week = sheet.note(
    which === "closed" ? "Let off in a week, closed" : "Lost in a week, open",
    "L/m² a day · area · 7 / 1000",
    fill`${litresM2Day} × ${areaM2} × 7 ÷ 1000`,
    (litresM2Day * areaM2 * 7) / 1000,
    "m³",
    "arithmetic",
  );
  return {
    waterLM2Day: litresM2Day,
    waterM3Week,
    nitrogenKgWeek: (waterM3Week * nitrogenMmolL * GRAMS_N) / 1000,
    costWeek: waterM3Week * (waterPriceM3 + recipePriceM3),
  };
}

function checkLoop({ ions, waterLM2Day, volumeLM2, areaM2, nitrogenMmolL, drainPct, days }: LoopInput): void {
  const checks = new Checks()
    .positive("waterLM2Day", "The water taken up", waterLM2Day, 30, "L/m² a day")
    .positive("volumeLM2", "The water in the loop", volumeLM2, 2000, "L/m²")
    .positive("areaM2", "The area", areaM2, 1_000_000, "m²")
    .range("nitrogenMmolL", "The nitrogen of the feed", nitrogenMmolL, 0, 100, "mmol/L")
    .range("drainPct", "The drain share", drainPct, 0, 80, "%")
    .range("days", "The days", days, 1, 730);
  ions.forEach(({ ion, incomingMmolL, nowMmolL, limitMmolL, uptakeShare }, at) =>
    checks
      .range(`ions.${at}.incomingMmolL`, `${ion} that comes in`, incomingMmolL, 0, 50, "mmol/L")
      .range(`ions.${at}.nowMmolL`, `${ion} in the loop`, nowMmolL, 0, 100, "mmol/L")
      .positive(`ions.${at}.limitMmolL`, `The limit of ${ion}`, limitMmolL, 100, "mmol/L")
      .range(`ions.${at}.uptakeShare`, `The share of ${ion} taken up`, uptakeShare, 0, 1),
  );
  checks.done();
}

/**
 * What fresh solution must bring so that, mixed with drain, the feed is on its target; what drain has over cannot be
 * taken out, and stays as it is.
 *
 * @param drainSharePct of the feed that is drain, 0 to 95
 * @returns the target of the fresh part, and by how much the mix will lie over the target, mmol/L
 */
export function freshTarget(
  target: Ions,
  drain: Ions,
  drainSharePct: number,
): { readonly ions: Ions; readonly over: Ions; readonly working: readonly WorkingStep[] } {
  new Checks().range("drainSharePct", "The share of drain in the feed", drainSharePct, 0, 95, "%").done();
  const sheet = new Worksheet();
  const share = drainSharePct / 100;
  const ions: Partial<Record<Ion, number>> = {};
  const over: Partial<Record<Ion, number>> = {};
  for (const ion of IONS) {
    const wanted = target[ion];
    if (wanted === undefined) continue;
    const brought = (drain[ion] ?? 0) * share;
    const fresh = sheet.note(
      `${ion} of the fresh part`,
      "(target − drain · share) / (1 − share)",
      fill`(${wanted} − ${drain[ion] ?? 0} × ${share}) ÷ (1 − ${share})`,
      (wanted - brought) / (1 - share),
      "mmol/L",
      "mass balance of the mix; µmol/L for trace elements",
    );
    ions[ion] = Math.max(0, fresh);
    if (fresh < 0) over[ion] = -fresh * (1 - share);
  }
  return { ions, over, working: sheet.steps };
}

/**
 * What sodium and chloride may rise to in a loop, mmol/L, and what the crop takes of their strength at the roots, %, until a
 * person says otherwise. Sonneveld & Voogt (2009) tell limits by crop; these lie among them and are assumed for any one crop.
 */
export const USUAL_LOOP = { Na: { limitMmolL: 6, takenPct: 8 }, Cl: { limitMmolL: 8, takenPct: 8 } } as const;
