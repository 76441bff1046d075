import { Checks } from "../working/checks.ts";
import { fill, type WorkingStep } from "../working/working.ts";
import { uniformity, type Uniformity } from "./uniformity.ts";

/** Catches laid out as on the ground: a row for each line, from its inlet to its end. */
type CatchGrid = readonly (readonly number[])[];

export interface CatchTest extends Uniformity {
  /** what makes it uneven; `even` where the driest quarter is within a tenth of the mean */
  readonly cause: "even" | "pressure" | "line" | "plugging";
  /** line with the lowest mean, counted from 0 */
  readonly lowestLine: number;
  /** places that give under 70 % of the median */
  readonly low: readonly { readonly line: number; readonly place: number }[];
}

const EVEN_FROM_PCT = 90;
/** A dripper under this share of the median is looked at one by one; usual practice. */
const LOW_SHARE = 0.7;
/** A line that is low as a whole is low evenly; more scatter than this within it is single drippers. */
const EVEN_LINE_CV = 0.2;

/**
 * A catch-can test with its cause: the variation is split between places along the lines, the lines, and single drippers.
 *
 * Falling along every line it is pressure; between lines it is one line's inlet; else single drippers plug.
 *
 * @param grid 2 to 40 lines of equally many places, 2 to 60; mL
 * @see two-way analysis of variance without replication; Fisher (1925)
 */
export function catchTest(grid: CatchGrid, minutes: number): CatchTest {
  const places = grid[0]?.length ?? 0;
  new Checks()
    .range("lines", "The number of lines", grid.length, 2, 40)
    .range("places", "The number of places on a line", places, 2, 60)
    .when(
      grid.some((row) => row.length !== places),
      "not-possible",
      "catchesMl",
      "Every line needs as many catches as the first one.",
    )
    .done();
  const result = uniformity({ catchesMl: grid.flat(), minutes });
  const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
  const all = mean(grid.flat());
  const lineMeans = grid.map(mean);
  const placeMeans = Array.from({ length: places }, (_, place) => mean(grid.map((row) => row[place] ?? 0)));
  const squares = (values: readonly number[], times: number): number =>
    times * values.reduce((sum, value) => sum + (value - all) ** 2, 0);
  const [total, byLine, byPlace] = [
    squares(grid.flat(), 1),
    squares(lineMeans, places),
    squares(placeMeans, grid.length),
  ];
  const half = Math.ceil(places / 2);
  const falling = mean(placeMeans.slice(half)) < mean(placeMeans.slice(0, half));
  const steps: WorkingStep[] = [
    share("Variation along the lines", byPlace, total),
    share("Variation between lines", byLine, total),
    share("Variation of single drippers", Math.max(0, total - byLine - byPlace), total),
  ];
  const lowestLine = lineMeans.indexOf(Math.min(...lineMeans));
  const sorted = grid.flat().sort((a, b) => a - b);
  const median = sorted[Math.floor(sorted.length / 2)] ?? 0;
  const cause =
    result.lowQuarterDuPct >= EVEN_FROM_PCT || total === 0
      ? "even"
      : byPlace >= total / 2 && falling
        ? "pressure"
        : byLine >= total / 2 && scatter(grid[lowestLine] ?? []) < EVEN_LINE_CV
          ? "line"
          : "plugging";
  return {
    ...result,
    working: [...result.working, ...steps],
    cause,
    lowestLine,
    low: grid.flatMap((row, line) =>
      row.flatMap((value, place) => (value < LOW_SHARE * median ? [{ line, place }] : [])),
    ),
  };
}

/** Standard deviation over mean. */
function scatter(values: readonly number[]): number {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const squares = values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  return mean > 0 ? Math.sqrt(squares / (values.length - 1)) / mean : 0;
}

function share(label: string, squares: number, total: number): WorkingStep {
  return {
    label,
    formula: "sum of squares / total",
    substituted: fill`${squares} ÷ ${total}`(),
    value: total === 0 ? 0 : (100 * squares) / total,
    unit: "%",
    source: "two-way analysis of variance without replication",
  };
}
