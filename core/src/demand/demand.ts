import { referenceEt, type ReferenceEt } from "../climate/reference-et.ts";
import { DomainError } from "../working/domain-error.ts";
import { fill, Worksheet, type WorkingStep } from "../working/working.ts";
import { baille, bigLeafMm, noteBigLeaf } from "./canopy-methods.ts";
import { demandDay, type DemandDay } from "./demand-day.ts";
import { ownDemandMm, panEtMm, radiationSumMm } from "./plain-methods.ts";
import { dualKc } from "./dual-coefficient.ts";
import { checkDemandInput, type DemandInput, type DemandMethod } from "./demand-input.ts";

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
    const et0Mm = panEtMm(pan.evaporationMm, pan.panCoefficient, sheet);
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
