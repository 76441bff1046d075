import { isCalendarDate } from "../../climate/reference-et-input.ts";
import { Checks } from "../../working/checks.ts";
import { MAIN, mainOf, NONE, type Main, type MainAmounts } from "../doses/nutrients.ts";

/** Ways by which nutrients come to a zone. */
export const NUTRIENT_SOURCES = ["dose", "feed", "water", "manure", "digestate"] as const;
export type NutrientSource = (typeof NUTRIENT_SOURCES)[number];
/** What rules call organic. */
const ORGANIC: readonly NutrientSource[] = ["manure", "digestate"];

/** Something that came to a zone, or was taken off it, on a day. */
export interface NutrientEntry {
  readonly on: string;
  readonly source: NutrientSource | "removed";
  /** in words */
  readonly what: string;
  /** as elements, all of it whether a crop can use it or not; of what was taken off, as much as left */
  readonly kgHa: MainAmounts;
}

/** What a place's rules allow on a hectare in a calendar year; null where they say nothing. */
export interface NutrientRules {
  readonly totalNKgHa: number | null;
  readonly organicNKgHa: number | null;
  readonly totalPKgHa: number | null;
  /** no nitrogen from one day of the year to another, both included, as 11-01 to 01-31 */
  readonly closed: { readonly from: string; readonly to: string; readonly of: "all" | "organic" } | null;
}

export const NO_RULES: NutrientRules = { totalNKgHa: null, organicNKgHa: null, totalPKgHa: null, closed: null };

export interface Breach {
  readonly rule: "total-n" | "organic-n" | "total-p";
  readonly kgHa: number;
  readonly mostKgHa: number;
}

export interface YearBook {
  readonly year: number;
  readonly bySource: Readonly<Record<NutrientSource, MainAmounts>>;
  readonly total: MainAmounts;
  readonly removed: MainAmounts;
  /** total − removed: what stays, or was lost */
  readonly surplus: MainAmounts;
  readonly breaches: readonly Breach[];
  /** nitrogen that was given in the closed time */
  readonly inClosedTime: readonly NutrientEntry[];
}

/** @throws {DomainError} for rules that cannot be, all at once */
export function checkRules({ totalNKgHa, organicNKgHa, totalPKgHa, closed }: NutrientRules): void {
  const checks = new Checks()
    .range("totalNKgHa", "The most nitrogen", totalNKgHa ?? undefined, 1, 3000, "kg/ha")
    .range("organicNKgHa", "The most organic nitrogen", organicNKgHa ?? undefined, 1, 3000, "kg/ha")
    .range("totalPKgHa", "The most phosphorus", totalPKgHa ?? undefined, 1, 1000, "kg/ha");
  for (const key of ["from", "to"] as const)
    checks.when(
      // 2024 had every day that a year can have.
      closed !== null && !isCalendarDate(`2024-${closed[key]}`),
      "not-possible",
      `closed.${key}`,
      `The closed time needs a day of the year as 11-01, not ${closed?.[key] ?? ""}.`,
    );
  checks.done();
}

/**
 * What came to a hectare and was taken off it in each calendar year, against the rules of the place. Every entry counts in one
 * year and under one source.
 *
 * @returns newest year first; a year without an entry is not there
 */
export function yearBooks(entries: readonly NutrientEntry[], rules: NutrientRules): readonly YearBook[] {
  const years = new Map<number, NutrientEntry[]>();
  for (const entry of entries) {
    const year = Number(entry.on.slice(0, 4));
    years.set(year, [...(years.get(year) ?? []), entry]);
  }
  return [...years]
    .sort(([a], [b]) => b - a)
    .map(([year, found]) => {
      const bySource = Object.fromEntries(
        NUTRIENT_SOURCES.map((source) => [source, sumOf(found, (entry) => entry.source === source)]),
      ) as Record<NutrientSource, MainAmounts>;
      const total = sumOf(found, ({ source }) => source !== "removed");
      const removed = sumOf(found, ({ source }) => source === "removed");
      const organic = sumOf(found, ({ source }) => isOrganic(source));
      return {
        ...{ year, bySource, total, removed },
        surplus: mainOf((nutrient) => total[nutrient] - removed[nutrient]),
        breaches: [
          ...breach("total-n", total.N, rules.totalNKgHa),
          ...breach("organic-n", organic.N, rules.organicNKgHa),
          ...breach("total-p", total.P, rules.totalPKgHa),
        ],
        inClosedTime: found.filter((entry) => isClosed(entry, rules)),
      };
    });
}

function isOrganic(source: NutrientEntry["source"]): boolean {
  return ORGANIC.some((one) => one === source);
}

function isClosed({ on, source, kgHa }: NutrientEntry, { closed }: NutrientRules): boolean {
  // What is in the water all year round is no spreading.
  if (!closed || source === "removed" || source === "water" || kgHa.N <= 0) return false;
  if (closed.of === "organic" && !isOrganic(source)) return false;
  const day = on.slice(5);
  return closed.from <= closed.to ? day >= closed.from && day <= closed.to : day >= closed.from || day <= closed.to;
}

function breach(rule: Breach["rule"], kgHa: number, mostKgHa: number | null): Breach[] {
  return mostKgHa !== null && kgHa > mostKgHa ? [{ rule, kgHa, mostKgHa }] : [];
}

function sumOf(entries: readonly NutrientEntry[], counts: (entry: NutrientEntry) => boolean): MainAmounts {
  const sum: Record<Main, number> = { ...NONE };
  for (const entry of entries) if (counts(entry)) for (const nutrient of MAIN) sum[nutrient] += entry.kgHa[nutrient];
  return sum;
}

/** kg of the oxide in a kg of the element: P₂O₅ and K₂O, as labels and rules tell them. */
export const AS_OXIDE: MainAmounts = { N: 1, P: 2.2914, K: 1.2046 };
