import { molarMassG } from "../chemistry/formula.ts";
import { CHARGE, isTrace, type Ion } from "../chemistry/ions.ts";

/** A unit in which laboratories write amounts of ions. */
export type IonUnit = "mmol/L" | "meq/L" | "mg/L" | "µmol/L";

/** Phosphorus is written as the ion; labs that write it as P or P₂O₅ say so, and their figures must be changed first. */
const WRITTEN_AS: Partial<Record<Ion, string>> = { urea: "N" };

/**
 * The units in which an ion may be written in a report, with the canonical amount of one: mmol/L, or µmol/L for trace elements.
 * Milligrams are of the ion itself: of NO₃, not of its N.
 */
export function ionUnits(ion: Ion): readonly { readonly unit: IonUnit; readonly factor: number }[] {
  const milligram = { unit: "mg/L" as const, factor: (isTrace(ion) ? 1000 : 1) / molarMassG(WRITTEN_AS[ion] ?? ion) };
  if (isTrace(ion)) return [{ unit: "µmol/L", factor: 1 }, milligram];
  const charge = Math.abs(CHARGE[ion]);
  return [
    { unit: "mmol/L", factor: 1 },
    ...(charge > 0 ? [{ unit: "meq/L" as const, factor: 1 / charge }] : []),
    milligram,
  ];
}
