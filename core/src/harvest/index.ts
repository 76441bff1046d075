export { readPickList, type NotedPick } from "./pick-list.ts";
export {
  goneByWarmth,
  pickedAmount,
  pickedSoFar,
  pickingTime,
  yieldPath,
  type PickingTime,
  type PickingWarmth,
} from "./yield-path.ts";
