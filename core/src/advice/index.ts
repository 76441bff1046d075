export { adviseDrain, type DrainAdvice, type MeteredDay } from "./drain-advice.ts";
export {
  decisionOf,
  type DayOfWater,
  type Decision,
  type OpenFinding,
  type Proposal,
  type Station,
  type ZoneDecision,
} from "./decision.ts";
export { worstMark } from "./judge.ts";
export { readingBands, type Band } from "./reading-bands.ts";
