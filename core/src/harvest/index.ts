export { readPickList, type NotedPick } from "./pick-list.ts";
export { goneByWarmth, pickedAmount, pickedSoFar, pickingTime, yieldPath, type PickingTime } from "./yield-path.ts";
