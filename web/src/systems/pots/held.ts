import { showDigits } from "../../units/show.ts";
import type { State, StoredRoots } from "../system-words.ts";

/** Of the water that pots hold when they have drained: what is left, and from what on they get some. */
export function heldShare({ depletionMm, triggerMm, availableMm }: StoredRoots): State {
  const share = (mm: number): string => showDigits(100 * (1 - mm / availableMm));
  return { key: { text: share(depletionMm), unit: "% of held" }, sub: `flooded at ${share(triggerMm)} %` };
}
