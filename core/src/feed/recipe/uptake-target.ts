import { Checks } from "../../working/checks.ts";
import { IONS, isTrace, type Ion, type Ions } from "../../chemistry/ions.ts";
import { fill, Worksheet, type WorkingStep } from "../../working/working.ts";

interface UptakeTargetInput {
  /** what the crop takes up, mmol (µmol of trace elements) a m² and day */
  readonly uptakeMmolM2Day: Ions;
  /** water that the crop takes up, L a m² and day */
  readonly waterLM2Day: number;
  /** share of the feed that drains and leaves, 0 to 0.8; 0 for a closed loop */
  readonly leachingFraction: number;
  /** wanted in the root zone, mmol/L; matters only where something leaves */
  readonly rootZone: Ions;
}

interface UptakeTarget {
  /** feed, or additions to a closed loop, mmol/L and µmol/L */
  readonly ions: Ions;
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/** Uptake of these follows their concentration, so that a concentration of uptake says nothing of them. */
const FOLLOWS_CONCENTRATION: readonly Ion[] = ["Na", "Cl"];

/**
 * A target by the concentration at which a crop takes nutrients up: feed = UC · (1 − LF) + C_root · LF.
 *
 * @throws {DomainError} for values that cannot be, and for sodium and chloride
 * @see Sonneveld & Voogt (2009), chapter 12: uptake concentrations and leaching
 */
export function uptakeTarget(input: UptakeTargetInput): UptakeTarget {
  const { uptakeMmolM2Day, waterLM2Day, leachingFraction, rootZone } = input;
  const checks = new Checks()
    .positive("waterLM2Day", "The water taken up", waterLM2Day, 30, "L/m²")
    .range("leachingFraction", "The share that leaves", leachingFraction, 0, 0.8)
    .when(
      Object.keys(uptakeMmolM2Day).length === 0,
      "missing",
      "uptakeMmolM2Day",
      "Name what at least one ion is taken up at.",
    );
  for (const ion of FOLLOWS_CONCENTRATION)
    checks.when(
      uptakeMmolM2Day[ion] !== undefined,
      "not-possible",
      `uptakeMmolM2Day.${ion}`,
      `${ion} is taken up the faster the more of it there is; it has a limit, not a concentration of uptake.`,
    );
  for (const ion of IONS) {
    checks.range(`uptakeMmolM2Day.${ion}`, `Uptake of ${ion}`, uptakeMmolM2Day[ion], 0, isTrace(ion) ? 5000 : 500);
    checks.range(`rootZone.${ion}`, `${ion} in the root zone`, rootZone[ion], 0, isTrace(ion) ? 2000 : 200);
  }
  checks.done();
  const sheet = new Worksheet();
  const ions: Partial<Record<Ion, number>> = {};
  for (const ion of IONS) {
    const uptake = uptakeMmolM2Day[ion];
    if (uptake === undefined) continue;
    const unit = isTrace(ion) ? "µmol/L" : "mmol/L";
    const uc = sheet.note(
      `${ion}, concentration of uptake`,
      "uptake / water",
      fill`${uptake} ÷ ${waterLM2Day}`,
      uptake / waterLM2Day,
      unit,
      "uptake as entered",
    );
    // Without a figure for the root zone what leaves is taken to be as strong as what is taken up.
    const root = rootZone[ion] ?? uc;
    ions[ion] = sheet.note(
      `${ion} in the feed`,
      "UC · (1 − LF) + C · LF",
      fill`${uc} × (1 − ${leachingFraction}) + ${root} × ${leachingFraction}`,
      uc * (1 - leachingFraction) + root * leachingFraction,
      unit,
      "Sonneveld & Voogt (2009), chapter 12",
    );
    if (rootZone[ion] === undefined && leachingFraction > 0)
      sheet.warn(`${ion} in the root zone was not given; what leaves is taken to be as strong as what is taken up.`);
  }
  return { ions, warnings: sheet.warnings, working: sheet.steps };
}
