export { readReadingList, type NotedReading } from "./reading-list.ts";
export { depletionAtLevelMm, levelOfCm } from "./root-store.ts";
export { readSoilList, type SoilTest } from "./soil-list.ts";
export { stepSubstrate, type SubstrateState } from "./substrate.ts";
export type { StoreState } from "./water-store.ts";
export { farFromPast, type Usual } from "./far-from-past.ts";
