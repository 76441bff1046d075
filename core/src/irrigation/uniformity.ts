import { Checks } from "../working/checks.ts";
import { fill, showNumber, Worksheet, type WorkingStep } from "../working/working.ts";

interface UniformityInput {
  /** volumes caught, mL each, 4 to 2000 of them; 16 or more tell something */
  readonly catchesMl: readonly number[];
  /** how long each was held under its dripper, 0.1 to 600 */
  readonly minutes: number;
}

type UniformityClass = "excellent" | "good" | "fair" | "poor" | "unacceptable";

export interface Uniformity {
  readonly meanLh: number;
  readonly lowQuarterDuPct: number;
  readonly christiansenPct: number;
  /** a fraction */
  readonly cv: number;
  readonly verdict: string;
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/** Lower bounds, %. ASAE EP458 leaves gaps (94–100, 81–87, 68–75, 56–62, under 50 for emission uniformity); each bound lies in its gap. */
const CLASS_FROM: readonly (readonly [UniformityClass, number])[] = [
  ["excellent", 90],
  ["good", 80],
  ["fair", 65],
  ["poor", 53],
];
const USUAL_CATCHES = 16;

/**
 * How evenly drippers give, from volumes caught in the field.
 *
 * @throws {DomainError} for fewer than four catches, a negative one, or none at all
 * @see Merriam & Keller (1978) for the low quarter; Christiansen (1942); ASAE EP458 for the classes
 */
export function uniformity({ catchesMl, minutes }: UniformityInput): Uniformity {
  checkCatches(catchesMl, minutes);
  const sheet = new Worksheet();
  const count = catchesMl.length;
  const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
  const mean = sum(catchesMl) / count;
  if (count < USUAL_CATCHES)
    sheet.warn(
      `${count} catches tell little: take ${USUAL_CATCHES} or more, spread over the inlet, middle and end of several lines.`,
    );
  const meanLh = sheet.note(
    "Mean flow",
    "mean catch / minutes · 60 / 1000",
    fill`${mean} mL ÷ ${minutes} min × 60 ÷ 1000`,
    (mean / minutes) * 0.06,
    "L/h",
    "catch-can test",
  );
  const low = lowQuarterMean(catchesMl);
  const lowQuarterDuPct = sheet.note(
    "Distribution uniformity, low quarter",
    "100 · mean of the lowest quarter / mean",
    fill`100 × ${low} ÷ ${mean}`,
    (100 * low) / mean,
    "%",
    "Merriam & Keller (1978)",
  );
  const off = sum(catchesMl.map((value) => Math.abs(value - mean)));
  const christiansenPct = sheet.note(
    "Christiansen's coefficient",
    "100 · (1 − Σ|x − mean| / Σx)",
    fill`100 × (1 − ${off} ÷ ${mean * count})`,
    100 * (1 - off / (mean * count)),
    "%",
    "Christiansen (1942)",
  );
  const squares = sum(catchesMl.map((value) => (value - mean) ** 2));
  const cv = sheet.note(
    "Coefficient of variation",
    "√(Σ(x − mean)² / (n − 1)) / mean",
    fill`√(${squares} ÷ ${count - 1}) ÷ ${mean}`,
    Math.sqrt(squares / (count - 1)) / mean,
    "",
    "sample standard deviation",
  );
  const dry = catchesMl.filter((value) => value < mean * 0.1).length;
  if (dry > 0) sheet.warn(`${dry} of ${count} drippers give next to nothing: they are plugged or torn off.`);
  return {
    meanLh,
    lowQuarterDuPct,
    christiansenPct,
    cv,
    verdict: `${uniformityClass(lowQuarterDuPct)}: the driest quarter gets ${showNumber(Math.round(lowQuarterDuPct))} % of the mean`,
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

/** @param lowQuarterDuPct distribution uniformity of the low quarter, % */
export function uniformityClass(lowQuarterDuPct: number): UniformityClass {
  return CLASS_FROM.find(([, from]) => lowQuarterDuPct >= from)?.[0] ?? "unacceptable";
}

/** Mean of the lowest quarter; where a quarter is no whole number, the next catch counts in part. */
function lowQuarterMean(catches: readonly number[]): number {
  const sorted = [...catches].sort((a, b) => a - b);
  const quarter = sorted.length / 4;
  const whole = Math.floor(quarter);
  const total =
    sorted.slice(0, whole).reduce((sum, value) => sum + value, 0) + (quarter - whole) * (sorted[whole] ?? 0);
  return total / quarter;
}

function checkCatches(catchesMl: readonly number[], minutes: number): void {
  const checks = new Checks()
    .range("minutes", "The minutes of the test", minutes, 0.1, 600, "minutes")
    .when(
      catchesMl.length < 4,
      "missing",
      "catchesMl",
      `A quarter of the drippers needs at least 4 catches, not ${catchesMl.length}; 16 or more tell something.`,
    )
    .when(
      catchesMl.length > 2000,
      "out-of-range",
      "catchesMl",
      `${catchesMl.length} catches are more than the 2000 that are read.`,
    );
  catchesMl.forEach((value, at) => checks.range(`catchesMl.${at}`, `Catch ${at + 1}`, value, 0, 100_000, "mL"));
  checks
    .when(
      catchesMl.length > 0 && catchesMl.every((value) => value === 0),
      "not-possible",
      "catchesMl",
      "Nothing was caught anywhere: open the valve and repeat the test.",
    )
    .done();
}
