import { referenceEt, type ReferenceEt } from "../climate/reference-et.ts";
import { DomainError } from "../working/domain-error.ts";
import { fill, Worksheet, type WorkingStep } from "../working/working.ts";
import { baille, bigLeafMm, noteBigLeaf } from "./canopy-methods.ts";
import { demandDay, type DemandDay } from "./demand-day.ts";
import { ownDemandMm, radiationSumMm } from "./plain-methods.ts";
import { checkDemandInput, type DemandInput, type DemandMethod, type DualCoefficients } from "./demand-input.ts";

export interface DemandAnswer {
  readonly demandMm: number;
  /** 24, from midnight on; they add up to the day */
  readonly hourlyMm: readonly number[];
  readonly et0Mm?: number;
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

interface Found {
  readonly hourlyMm: readonly number[];
  readonly et0Mm?: number;
}
type Method = (input: DemandInput, day: DemandDay, sheet: Worksheet) => Found;

const METHODS: Readonly<Record<DemandMethod, Method>> = {
  "house-penman-monteith": (input, day, sheet) => {
    if (input.transmissionPct >= 100)
      sheet.warn("This form is of still air in a house; in the open take FAO-56 with the wind.");
    const et = ofDay({ method: "greenhouse-penman-monteith", input, day, air: day.inside, windMs: undefined }, sheet);
    return times(
      input.kc ?? NaN,
      et.value,
      "Kc by Orgaz et al. (2005) for vegetables in plastic houses; FAO-56, eq. 58",
      day,
      sheet,
    );
  },
  "fao56-single": (input, day, sheet) => {
    const et = outsideEt(input, day, sheet);
    return times(input.kc ?? NaN, et.value, "FAO-56, eq. 58", day, sheet);
  },
  "fao56-dual": (input, day, sheet) => {
    const et = outsideEt(input, day, sheet);
    if (!input.dual) throw new Error("the dual coefficients are checked before");
    return times(dualKc(input.dual, et.value, sheet), et.value, "FAO-56, eq. 69 and 80", day, sheet);
  },
  "big-leaf": ({ leafAreaIndex = NaN, elevationM, insideHours }, day, sheet) => {
    warnOfAir(insideHours, sheet);
    const hourlyMm = bigLeafMm(day.hours, leafAreaIndex, elevationM);
    noteBigLeaf(hourlyMm, leafAreaIndex, day.hours, sheet);
    return { hourlyMm };
  },
  baille: ({ leafAreaIndex = NaN, insideHours }, day, sheet) => {
    warnOfAir(insideHours, sheet);
    return { hourlyMm: baille(day, leafAreaIndex, sheet) };
  },
  "radiation-sum": ({ radiationSum }, day, sheet) => ({
    hourlyMm: byLight(radiationSumMm(radiationSum?.mlPerJCm2 ?? NaN, day.solarMjM2, sheet), day),
  }),
  pan: ({ pan }, day, sheet) => {
    if (!pan) throw new Error("the pan is checked before");
    const et0Mm = sheet.note(
      "Reference evapotranspiration from the pan",
      "ET₀ = Kp · Epan",
      fill`${pan.panCoefficient} × ${pan.evaporationMm}`,
      pan.panCoefficient * pan.evaporationMm,
      "mm",
      "FAO-56, eq. 55",
    );
    return times(pan.kc, et0Mm, "FAO-56, eq. 58", day, sheet);
  },
  own: ({ ownMm = NaN }, day, sheet) => ({ hourlyMm: byLight(ownDemandMm(ownMm, sheet), day) }),
};

/**
 * What a crop with ample water takes up in a day, by one of eight methods, hour by hour.
 *
 * @returns L/m² over the zone's ground; never below zero
 * @throws {DomainError} for values that cannot be, each with its path
 */
export function demand(input: DemandInput): DemandAnswer {
  checkDemandInput(input);
  const sheet = new Worksheet();
  const day = demandDay(input);
  sheet.note(
    "Light on the crop",
    "τ · Rs",
    fill`${input.transmissionPct / 100} × ${day.solarMjM2}`,
    day.solarInsideMjM2,
    "MJ/m²",
    "light through the cover",
  );
  const { hourlyMm: found, et0Mm } = METHODS[input.method](input, day, sheet);
  const factor = input.fittedFactor ?? 1;
  const hourlyMm = found.map((mm) => Math.max(0, mm * factor));
  const plainMm = found.reduce((sum, mm) => sum + Math.max(0, mm), 0);
  const demandMm = hourlyMm.reduce((sum, mm) => sum + mm, 0);
  if (factor !== 1)
    sheet.note(
      "Fitted to the zone",
      "demand · fitted factor",
      fill`${plainMm} × ${factor}`,
      demandMm,
      "L/m²",
      "the zone's own meter",
    );
  return {
    demandMm,
    hourlyMm,
    ...(et0Mm !== undefined && { et0Mm }),
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

function ofDay(
  {
    method,
    input,
    day,
    air,
    windMs,
  }: {
    readonly method: "penman-monteith-daily" | "greenhouse-penman-monteith";
    readonly input: DemandInput;
    readonly day: DemandDay;
    readonly air: DemandDay["outside"];
    readonly windMs: number | undefined;
  },
  sheet: Worksheet,
): ReferenceEt {
  const { latitudeDeg, elevationM, date, transmissionPct } = input;
  const et = ofHours(() =>
    referenceEt({
      method,
      latitudeDeg,
      elevationM,
      date,
      weather: { ...air, solarMjM2: day.solarMjM2, windMs },
      ...(method === "greenhouse-penman-monteith" && { transmissionPct }),
    }),
  );
  if (method === "greenhouse-penman-monteith") warnOfAir(input.insideHours, sheet);
  sheet.add(et.working);
  et.warnings.forEach((warning) => sheet.warn(warning));
  return et;
}

/** What a day cannot be is a fault of its hours: whoever asked gave no day. */
function ofHours<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    const [first, ...others] = error.faults.map((fault) => ({ ...fault, path: "hours" }));
    throw first ? new DomainError(first, ...others) : error;
  }
}

function outsideEt(input: DemandInput, day: DemandDay, sheet: Worksheet): ReferenceEt {
  if (input.transmissionPct < 100)
    sheet.warn("This method is of the open field: under cover it counts the light and the wind outside.");
  return ofDay({ method: "penman-monteith-daily", input, day, air: day.outside, windMs: day.windMs }, sheet);
}

function warnOfAir(inside: DemandInput["insideHours"], sheet: Worksheet): void {
  if (!inside) sheet.warn("No air inside was given: the air outside counts, which is drier or cooler than a house's.");
}

function times(kc: number, et0Mm: number, source: string, day: DemandDay, sheet: Worksheet): Found {
  const mm = sheet.note("Demand", "Kc · ET₀", fill`${kc} × ${et0Mm}`, kc * et0Mm, "L/m²", source);
  return { hourlyMm: byLight(mm, day), et0Mm };
}

/** A day's water by the hour, as light is; evenly where there is none. */
function byLight(mm: number, { hours, solarMjM2 }: DemandDay): number[] {
  return hours.map((hour) => (solarMjM2 > 0 ? (mm * hour.solarMjM2) / solarMjM2 : mm / hours.length));
}

/** Upper limit of evaporation and transpiration together in FAO-56's standard climate: eq. 72 without its term for wind and dryness. */
const MOST_KC = 1.2;

/**
 * Coefficient of crop and wetted soil together under drip.
 *
 * The surface dries between waterings; without a history a day with water or rain has it wet, any other dry, and no more
 * evaporates than came.
 *
 * @see FAO-56, eq. 69 (dual), 71 and 72 (Ke), 75 and the note on drip beneath it: few = min(1 − fc, (1 − ⅔·fc)·fw)
 */
function dualKc(
  { kcb, wettedPct, coverPct, irrigationMm, rainMm }: DualCoefficients,
  et0Mm: number,
  sheet: Worksheet,
): number {
  const cover = coverPct / 100;
  const rained = (rainMm ?? 0) > 0;
  const wetted = rained ? 1 : wettedPct / 100;
  const exposed = sheet.note(
    "Exposed and wetted share",
    rained ? "few = 1 − fc: rain wets all of it" : "few = min(1 − fc, (1 − ⅔·fc) · fw)",
    fill`fc ${cover}, fw ${wetted}`,
    rained ? 1 - cover : Math.min(1 - cover, (1 - (2 / 3) * cover) * wetted),
    "",
    "FAO-56, eq. 75, for drip",
  );
  const most = Math.max(MOST_KC, kcb + 0.05);
  const cameMm = (irrigationMm ?? 0) + (rainMm ?? 0);
  if (irrigationMm === undefined && rainMm === undefined)
    sheet.warn("No water and no rain was given: the soil's surface counts as dry.");
  const wetKe = Math.min(most - kcb, exposed * most);
  const ke = sheet.note(
    "Evaporation coefficient",
    "Ke = Kr · (Kc,max − Kcb), at most few · Kc,max; no more than came",
    fill`${cameMm > 0 ? 1 : 0} × (${most} − ${kcb}), at most ${exposed} × ${most}, ${cameMm} mm came`,
    cameMm > 0 && et0Mm > 0 ? Math.min(wetKe, cameMm / et0Mm) : 0,
    "",
    "FAO-56, eq. 71 and 72 in the standard climate",
  );
  return sheet.note("Kc", "Kcb + Ke", fill`${kcb} + ${ke}`, kcb + ke, "", "FAO-56, eq. 69");
}
