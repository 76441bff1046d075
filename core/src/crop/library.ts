import type { Crop } from "./crop.ts";
import { butterhead, fennel, waterSpinach } from "./leaf-crops.ts";
import { blueberry, cyclamen, kalanchoe } from "./pot-crops.ts";
import { courgette, melon } from "./vine-crops.ts";

/** Crops that the program knows. A person's own copy overrides a figure and keeps the difference visible. */
export const CROPS: readonly Crop[] = [
  melon,
  courgette,
  butterhead,
  cyclamen,
  kalanchoe,
  blueberry,
  fennel,
  waterSpinach,
];

/** @throws when a stored record names a crop that the library does not have: a bug, as forms offer only these */
export function cropById(id: string): Crop {
  const crop = CROPS.find((candidate) => candidate.id === id);
  if (!crop) throw new Error(`no crop ${id} in the library`);
  return crop;
}
