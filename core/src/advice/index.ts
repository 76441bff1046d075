export { adviseDrain, type DrainAdvice, type MeteredDay } from "./drain-advice.ts";
export { decisionOf, type ZoneDecision } from "./decision.ts";
export { worstMark } from "./judge.ts";
export { readingBands, type Band } from "./reading-bands.ts";
