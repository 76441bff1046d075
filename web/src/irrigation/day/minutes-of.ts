import type { DayPulse } from "@sprunel/contract/plan";
import { showDigits } from "../../units/show.ts";

/** How long a pulse runs: whole minutes, as a watch tells them; of short ones the tenth counts. */
export function minutesOf({ startUtc, endUtc }: Pick<DayPulse, "startUtc" | "endUtc">): string {
  const minutes = (Date.parse(endUtc) - Date.parse(startUtc)) / 60_000;
  return minutes < 5 ? showDigits(Number(minutes.toFixed(1))) : minutes.toFixed(0);
}
