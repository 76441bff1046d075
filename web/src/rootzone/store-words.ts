import type { Roots } from "@sprunel/contract/rootzone";
import type { Quantity } from "@sprunel/core/units";
import { showDigits, type Shown } from "../units/show.ts";

export type StoreRoots = Exclude<Roots, { kind: "drained" }>;

/**
 * A store's state as its grower says it: short of water, share held, level or depth in the tube. A tank is told by its
 * strength, or by its water where its strength stands beside it.
 */
export function storeWords(
  roots: StoreRoots,
  show: (quantity: Quantity, value: number) => Shown,
  byWater = false,
): { key: { text: string; unit: string }; sub: string } {
  const level = (cm: number | null): string => {
    if (cm === null) return "–";
    const { text, unit } = show("depth", cm);
    return `${text} ${unit}`;
  };
  switch (roots.system) {
    case "solution-tank": {
      const depth = show("depth", roots.levelCm ?? 0);
      if (byWater)
        return {
          key: { text: depth.text, unit: `${depth.unit} deep` },
          sub: `filled at ${level(roots.levelAtTriggerCm)}`,
        };
      return {
        key:
          roots.ecMsCm === null
            ? { text: depth.text, unit: `${depth.unit} deep` }
            : { text: showDigits(roots.ecMsCm), unit: "mS/cm" },
        sub: `${level(roots.levelCm)} deep${roots.ph === null ? `, filled at ${level(roots.levelAtTriggerCm)}` : ` · pH ${roots.ph.toFixed(1)}`}`,
      };
    }
    case "sub-irrigated-bench": {
      const share = (mm: number): string => showDigits(100 * (1 - mm / roots.availableMm));
      return {
        key: { text: share(roots.depletionMm), unit: "% of held" },
        sub: `flooded at ${share(roots.triggerMm)} %`,
      };
    }
    case "basin": {
      const { text, unit } = show("depth", Math.abs(roots.levelCm ?? 0));
      const below = (roots.levelCm ?? 0) < 0;
      return {
        key: { text: `${below ? "−" : ""}${text}`, unit: below ? `${unit} in tube` : `${unit} flooded` },
        sub: `flooded again at ${level(roots.levelAtTriggerCm)}`,
      };
    }
    default: {
      const { text, unit } = show("waterDepth", roots.depletionMm);
      const trigger = show("waterDepth", roots.triggerMm);
      return { key: { text, unit: `${unit} short` }, sub: `watered from ${trigger.text} ${trigger.unit}` };
    }
  }
}
