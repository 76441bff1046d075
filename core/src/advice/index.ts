export { adviseDrain, type DrainAdvice, type MeteredDay } from "./drain-advice.ts";
export { judgeDelivery, judgeDepletion, judgeDosing, worstMark } from "./judge.ts";
export { readingBands, type Band } from "./reading-bands.ts";
