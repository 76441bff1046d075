import type { MainAmounts } from "./nutrients.ts";
import type { OrganicDressing } from "./need-input.ts";
import type { SoilClass } from "./soil-class.ts";

/** Coated grains in the ground: what they hold, and how long they take to set it free. */
export interface CoatedGrains {
  readonly name: string;
  /** date of laying */
  readonly on: string;
  readonly gPlant: number;
  /** as elements, % */
  readonly nPct: number;
  readonly pPct: number;
  readonly kPct: number;
  readonly longevityDays: number;
  /** temperature at which the longevity holds, °C */
  readonly statedAtC: number;
}

/** What a programme says of the need of its planting: its aim, and what comes beside the doses. */
export interface ProgrammeGrounds {
  /** fresh; null: as the planting itself aims at */
  readonly yieldTHa: number | null;
  /** g of a piece as it is taken off, of crops that are sold by the piece; null where nobody said */
  readonly pieceG: number | null;
  /** share of what is given that the crop takes up, % */
  readonly efficiencyPct: MainAmounts;
  readonly organic: readonly OrganicDressing[];
  readonly coated: readonly CoatedGrains[];
  readonly fixationKgHa: number | null;
  readonly residuesKgHa: number | null;
  /** as somebody said it; null: as the newest soil test says */
  readonly soilClass: { readonly P: SoilClass | null; readonly K: SoilClass | null };
}
