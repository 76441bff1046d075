export { readPickList, type NotedPick } from "./pick-list.ts";
export { pickedSoFar, pickingTime, yieldPath } from "./yield-path.ts";
