export { catchTest, type CatchTest } from "./catch-can.ts";
export {
  GOOD_VARIATION_PCT,
  USUAL_LINE_TEMPERATURE_C,
  lateral,
  lateralTimes,
  longestLateralM,
  type Lateral,
  type LateralInput,
} from "./lateral.ts";
export { pipeVolumeL } from "./pipe-friction.ts";
export { pipeLossKpa, subMain, type SubMain } from "./sub-main.ts";
export { travelTime, type TravelTime } from "./travel-time.ts";
export { uniformity } from "./uniformity.ts";
export { NO_CORRECTION, type Correction } from "./zone-water-input.ts";
export type { Pulse } from "./pulses.ts";
export { zoneWater } from "./zone-water.ts";
export { pipeCarriesLh } from "./pipe-carries.ts";
export { pumpLoad, type LoadStep } from "./pump-load.ts";
export { litresGiven, type Watering } from "./watering.ts";
