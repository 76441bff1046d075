export { readPickList, type NotedPick } from "./pick-list.ts";
export { pickedAmount, pickedSoFar, pickingTime, yieldPath } from "./yield-path.ts";
