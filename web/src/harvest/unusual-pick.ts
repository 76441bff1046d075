import type { Pick } from "@sprunel/contract/harvest";
import { farFromPast } from "@sprunel/core/rootzone";
import type { Shown } from "../units/show.ts";

type Noted = Partial<Record<"massKg" | "count", number | null>>;
export interface Unusual {
  readonly field: "massKg" | "count";
  readonly words: string;
}

/** A pick may well be half or double the usual one, and nobody is asked; assumed. */
const EVERYDAY_SHARE = 1;

/** How a pick is far from those before it in its planting; nothing where it is not, or too little is known. */
export function unusualPick(
  pick: Noted,
  past: readonly Pick[],
  pieces: string,
  show: (quantity: "mass", value: number) => Shown,
): Unusual[] {
  const counting = past.filter(({ struck }) => struck === null);
  return (["massKg", "count"] as const).flatMap((field) => {
    const value = pick[field] ?? null;
    const before = counting.flatMap((one) => one[field] ?? []);
    if (value === null || before.length === 0) return [];
    const mean = before.reduce((sum, one) => sum + one, 0) / before.length;
    const usual = farFromPast(value, before, EVERYDAY_SHARE * mean);
    if (!usual) return [];
    const shown = (one: number): string => {
      const { text, unit } = field === "massKg" ? show("mass", one) : { text: String(one), unit: pieces };
      return `${text} ${unit}`;
    };
    const words = `${shown(value)} is far from the last picks, ${shown(usual.least)} to ${shown(usual.most)}.`;
    return [{ field, words }];
  });
}
