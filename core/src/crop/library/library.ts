import type { Crop } from "../crop.ts";
import * as beansAndBerries from "./beans-and-berries.ts";
import * as fieldsAndBasins from "./fields-and-basins.ts";
import * as flowersAndPots from "./flowers-and-pots.ts";
import * as leafAndRoots from "./leaf-and-roots.ts";
import * as vineFruit from "./vine-fruit.ts";

/** Crops that the program knows. A person's own copy overrides a figure and keeps the difference visible. */
export const CROPS: readonly Crop[] = [
  vineFruit,
  beansAndBerries,
  leafAndRoots,
  flowersAndPots,
  fieldsAndBasins,
].flatMap((group) => Object.values(group));

/** @throws when a stored record names a crop that the library does not have: a bug, as forms offer only these */
export function cropById(id: string): Crop {
  const crop = CROPS.find((candidate) => candidate.id === id);
  if (!crop) throw new Error(`no crop ${id} in the library`);
  return crop;
}
