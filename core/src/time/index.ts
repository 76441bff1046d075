export { clockSeconds, clockText } from "./clock.ts";
export { addDays, clockOf, daysBetween, instantOf, localDate, startOfLocalDay } from "./local-time.ts";
