export { clockSeconds } from "./clock.ts";
export { addDays, daysBetween, localDate, startOfLocalDay } from "./local-time.ts";
