export { clockSeconds, clockText, minuteText, spanOf, type ClockSpan, type Span } from "./clock.ts";
export { addDays, clockOf, daysBetween, instantOf, localDate, startOfLocalDay } from "./local-time.ts";
