import type { Standing } from "../../crop/planting.ts";
import { pickedAmount } from "../../harvest/yield-path.ts";
import type { ProgrammeGrounds } from "./programme-grounds.ts";

const KG_M2_TO_T_HA = 10;
const G_PER_KG = 1000;

/** kg of a crop's unit, kilograms or pieces; null of pieces of which nobody said what one weighs as it is taken off. */
function kgOf({ soldAs }: Standing["crop"], programme: Pick<ProgrammeGrounds, "pieceG"> | null): number | null {
  if (soldAs.kind === "mass") return 1;
  const pieceG = programme?.pieceG ?? null;
  return pieceG === null ? null : pieceG / G_PER_KG;
}

/** What a planting itself aims at, t/ha fresh; null where nobody said it in a mass. */
export function ownAimTHa(
  { crop, planting }: Standing,
  programme: Pick<ProgrammeGrounds, "pieceG"> | null,
): number | null {
  const [aim, kg] = [planting.targetPerM2 ?? null, kgOf(crop, programme)];
  return aim === null || kg === null ? null : aim * kg * KG_M2_TO_T_HA;
}

/** kg that a pick took off; null where that is not told in a mass. */
export function pickedKg(
  pick: { readonly massKg: number | null; readonly count: number | null },
  crop: Standing["crop"],
  programme: Pick<ProgrammeGrounds, "pieceG"> | null,
): number | null {
  const [amount, kg] = [pickedAmount(pick, crop.soldAs), kgOf(crop, programme)];
  return amount === null || kg === null ? null : amount * kg;
}
