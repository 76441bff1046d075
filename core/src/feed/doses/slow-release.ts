import { Checks } from "../../working/checks.ts";
import { fill, Worksheet, type WorkingStep } from "../../working/working.ts";

interface SlowReleaseInput {
  /** coated fertiliser mixed in, g per litre of substrate */
  readonly gL: number;
  readonly nPct: number;
  /** days that its maker states, and the temperature they are stated at */
  readonly longevityDays: number;
  readonly statedAtC: number;
  /** of the substrate, mean of the day, now */
  readonly temperatureC: number;
  /** of the substrate on each day since it was mixed in; one figure stands for all of them */
  readonly pastC: number | readonly number[];
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
  /** days from now until 95 % is out, at this temperature */
  readonly daysLeft: number;
  readonly working: readonly WorkingStep[];
}

/** Release of coated grains rises about twofold with 10 °C. Du, Zhou & Shaviv (2006), J. Polym. Environ. 14:223–230; not your product's own figure. */
const Q10 = 2;
/** Share of the stated time before anything comes out, and share that comes out at a steady pace. Usual curves; assumed. */
const LAG = 0.05;
const STEADY = 0.6;
/** What is out at the end of the time that a label states: at least about 75 %. Trenkel (2010), Slow- and Controlled-Release Fertilizers, IFA. */
const OUT_AT_STATED_TIME = 0.75;
const SPENT = 0.95;
/** Steady pace, in shares of the grain per stated time, with which just so much is out when that time is over. */
const PACE = (STEADY + (1 - STEADY) * Math.log((1 - STEADY) / (1 - OUT_AT_STATED_TIME))) / (1 - LAG);

/**
 * What a slow-release fertiliser in the substrate sets free, and how much of the liquid feed remains.
 *
 * A grain waits, then releases at a steady pace, then ever slower as it empties; its clock runs with the temperature of each
 * day since it was mixed in.
 *
 * @see Shaviv (2001), Advances in Agronomy 71:1–49: lag, linear and decaying release of coated grains
 */
export function slowRelease(input: SlowReleaseInput): SlowRelease {
  const { gL, nPct, longevityDays, statedAtC, temperatureC, substrateLPlant, ageDays, needMgPlantDay } = input;
  const past = typeof input.pastC === "number" ? [input.pastC] : input.pastC;
  const checks = new Checks()
    .range("gL", "The fertiliser in the substrate", gL, 0, 20, "g/L")
    .range("nPct", "Its nitrogen", nPct, 0, 46, "%")
    .range("longevityDays", "Its time", longevityDays, 14, 730, "days")
    .range("statedAtC", "The stated temperature", statedAtC, 10, 30, "°C")
    .range("temperatureC", "The substrate's temperature", temperatureC, 0, 45, "°C")
    .positive("substrateLPlant", "The substrate", substrateLPlant, 2000, "L a plant")
    .range("ageDays", "The days since it was mixed in", ageDays, 0, 1500, "days")
    .positive("needMgPlantDay", "The need", needMgPlantDay, 100_000, "mg a day")
    .when(
      typeof input.pastC !== "number" && input.pastC.length !== ageDays,
      "not-possible",
      "pastC",
      `The temperatures since it was mixed in must be one a day, ${ageDays}, not ${past.length}.`,
    );
  past.forEach((value) => checks.range("pastC", "The substrate's temperature since then", value, 0, 45, "°C"));
  checks.done();
  const sheet = new Worksheet();
  const paceAt = (temperature: number): number => Q10 ** ((temperature - statedAtC) / 10);
  const pace = sheet.note(
    "Pace at this temperature",
    "2^((T − stated T) / 10)",
    fill`2^((${temperatureC} − ${statedAtC}) ÷ 10)`,
    paceAt(temperatureC),
    "",
    "Du, Zhou & Shaviv (2006), assumed for all coatings",
  );
  const grown =
    typeof input.pastC === "number"
      ? ageDays * paceAt(input.pastC)
      : past.reduce((sum, temperature) => sum + paceAt(temperature), 0);
  const age = sheet.note(
    "Age of the grains by their warmth",
    "Σ 2^((T − stated T) / 10) over the days / stated time",
    fill`${grown} ÷ ${longevityDays}`,
    grown / longevityDays,
    "of the stated time",
    "Du, Zhou & Shaviv (2006); temperatures as given",
  );
  const out = releasedAt(age);
  const shareDay = ((out.perAge * pace) / longevityDays) * 100;
  sheet.note(
    "Out by now",
    "none for 5 % of the time, then steady to 60 %, then by what is left",
    fill`${age} of the stated time`,
    out.share * 100,
    "%",
    "Shaviv (2001), the form; lag and steady share assumed; 75 % at the stated time, Trenkel (2010)",
  );
  const totalMg = gL * substrateLPlant * nPct * 10;
  const nMgPlantDay = sheet.note(
    "Nitrogen set free in a day",
    "grams · litres · N · share in the day",
    fill`${gL} g/L × ${substrateLPlant} L × ${nPct * 10} mg/g × ${shareDay} %`,
    (totalMg * shareDay) / 100,
    "mg a plant",
    "label; release as above",
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
    releasedPct: out.share * 100,
    nMgPlantDay,
    liquidSharePct,
    daysLeft: Math.max(0, (ageAt(SPENT) - age) * longevityDays) / pace,
    working: sheet.steps,
  };
}

/**
 * Share of a coated fertiliser that is out after so many days at a temperature, 0 to 1.
 *
 * @see `slowRelease`: the same curve
 */
export function coatedOut(
  days: number,
  { longevityDays, statedAtC, temperatureC }: Pick<SlowReleaseInput, "longevityDays" | "statedAtC" | "temperatureC">,
): number {
  return releasedAt((Math.max(0, days) * Q10 ** ((temperatureC - statedAtC) / 10)) / longevityDays).share;
}

/** Share that is out at an age in stated times, and how fast more comes, in shares per stated time. */
function releasedAt(age: number): { readonly share: number; readonly perAge: number } {
  if (age < LAG) return { share: 0, perAge: 0 };
  const steadyUntil = LAG + STEADY / PACE;
  if (age < steadyUntil) return { share: (age - LAG) * PACE, perAge: PACE };
  const left = (1 - STEADY) * Math.exp((-PACE * (age - steadyUntil)) / (1 - STEADY));
  return { share: 1 - left, perAge: (PACE * left) / (1 - STEADY) };
}

/** The other way round, past the steady release. */
function ageAt(share: number): number {
  return LAG + STEADY / PACE + ((1 - STEADY) / PACE) * Math.log((1 - STEADY) / (1 - share));
}
