import { Worksheet, type WorkingStep } from "../working/working.ts";
import { greenhousePenmanMonteith, greenhouseRadiation } from "./greenhouse-et.ts";
import { hargreavesDaily } from "./hargreaves.ts";
import { penmanMonteithDaily } from "./penman-monteith-daily.ts";
import { penmanMonteithHourly } from "./penman-monteith-hourly.ts";
import { checkReferenceEtInput, type ReferenceEtInput, type ReferenceEtMethod } from "./reference-et-input.ts";

/** What a person compares with other sources; a part that the method does not need is absent. */
interface ReferenceEtParts {
  readonly raMjM2?: number;
  readonly rsMjM2?: number;
  readonly rnMjM2?: number;
  readonly vpdKpa?: number;
  readonly daylightH?: number;
}

export interface ReferenceEt {
  readonly value: number;
  readonly unit: "mm/day" | "mm/hour";
  readonly parts: ReferenceEtParts;
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/** One method: does its sum on the sheet and hands back millimetres and parts. */
export type EtMethod = (input: ReferenceEtInput, sheet: Worksheet) => { valueMm: number; parts: ReferenceEtParts };

const METHODS: Record<ReferenceEtMethod, EtMethod> = {
  "penman-monteith-daily": penmanMonteithDaily,
  "penman-monteith-hourly": penmanMonteithHourly,
  "hargreaves-daily": hargreavesDaily,
  "greenhouse-radiation": greenhouseRadiation,
  "greenhouse-penman-monteith": greenhousePenmanMonteith,
};

/**
 * Reference evapotranspiration by one of five published methods.
 *
 * @returns mm in the day or the hour, never below zero, with its working
 * @throws {DomainError} for values that cannot be, each with its path
 * @see Allen et al. (1998), FAO-56; Hargreaves & Samani (1985); Fernández et al. (2010)
 */
export function referenceEt(input: ReferenceEtInput, sheet = new Worksheet()): ReferenceEt {
  checkReferenceEtInput(input);
  const { valueMm, parts } = METHODS[input.method](input, sheet);
  if (valueMm < 0) sheet.warn("The formula gives a small condensation; it counts as no evapotranspiration.");
  return {
    value: Math.max(0, valueMm),
    unit: input.method === "penman-monteith-hourly" ? "mm/hour" : "mm/day",
    parts,
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}
