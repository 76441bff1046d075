import { Checks } from "../working/checks.ts";
import { fill, Worksheet, type WorkingStep } from "../working/working.ts";

interface SlowReleaseInput {
  /** coated fertiliser mixed in, g per litre of substrate */
  readonly gL: number;
  readonly nPct: number;
  /** days that its maker states, and the temperature they are stated at */
  readonly longevityDays: number;
  readonly statedAtC: number;
  /** of the substrate, mean of the day */
  readonly temperatureC: number;
  readonly substrateLPlant: number;
  /** days since it was mixed in */
  readonly ageDays: number;
  /** nitrogen that a plant is to get in a day, mg */
  readonly needMgPlantDay: number;
}

interface SlowRelease {
  /** share of the coated nutrient that is out by now, % */
  readonly releasedPct: number;
  /** nitrogen set free in a day now, mg a plant */
  readonly nMgPlantDay: number;
  /** of the usual liquid feed, %; 0 where the granules cover the need */
  readonly liquidSharePct: number;
  /** days from now until it is spent, at this temperature */
  readonly daysLeft: number;
  readonly working: readonly WorkingStep[];
}

/** Release of coated grains rises about twofold with 10 °C. Du, Zhou & Shaviv (2006), J. Polym. Environ. 14:223–230; not your product's own figure. */
const Q10 = 2;

/**
 * What a slow-release fertiliser in the substrate sets free, and how much of the liquid feed remains.
 *
 * Release is taken as steady over the stated time, faster or slower with temperature.
 */
export function slowRelease(input: SlowReleaseInput): SlowRelease {
  const { gL, nPct, longevityDays, statedAtC, temperatureC, substrateLPlant, ageDays, needMgPlantDay } = input;
  new Checks()
    .range("gL", "The fertiliser in the substrate", gL, 0, 20, "g/L")
    .range("nPct", "Its nitrogen", nPct, 0, 46, "%")
    .range("longevityDays", "Its time", longevityDays, 14, 730, "days")
    .range("statedAtC", "The stated temperature", statedAtC, 10, 30, "°C")
    .range("temperatureC", "The substrate's temperature", temperatureC, 0, 45, "°C")
    .positive("substrateLPlant", "The substrate", substrateLPlant, 2000, "L a plant")
    .range("ageDays", "The days since it was mixed in", ageDays, 0, 1500, "days")
    .positive("needMgPlantDay", "The need", needMgPlantDay, 100_000, "mg a day")
    .done();
  const sheet = new Worksheet();
  const pace = sheet.note(
    "Pace at this temperature",
    "2^((T − stated T) / 10)",
    fill`2^((${temperatureC} − ${statedAtC}) ÷ 10)`,
    Q10 ** ((temperatureC - statedAtC) / 10),
    "",
    "Du, Zhou & Shaviv (2006), assumed for all coatings",
  );
  const totalMg = gL * substrateLPlant * nPct * 10;
  const released = Math.min(1, (ageDays * pace) / longevityDays);
  const nMgPlantDay = sheet.note(
    "Nitrogen set free in a day",
    "grams · litres · N · pace / time",
    fill`${gL} g/L × ${substrateLPlant} L × ${nPct * 10} mg/g × ${pace} ÷ ${longevityDays} days`,
    released >= 1 ? 0 : (totalMg * pace) / longevityDays,
    "mg a plant",
    "label; steady release",
  );
  const liquidSharePct = sheet.note(
    "Liquid feed that remains",
    "100 · (1 − set free / need)",
    fill`100 × (1 − ${nMgPlantDay} ÷ ${needMgPlantDay})`,
    100 * Math.max(0, 1 - nMgPlantDay / needMgPlantDay),
    "%",
    "need as entered",
  );
  return {
    releasedPct: released * 100,
    nMgPlantDay,
    liquidSharePct,
    daysLeft: Math.max(0, longevityDays / pace - ageDays),
    working: sheet.steps,
  };
}
