import type { Board } from "@sprunel/contract/today";

/** Whether an hour's weather is still to come: by the forecast, or by that of the last weeks beyond it. */
export function isForeseen({ origin }: Pick<Board["hours"][number], "origin">): boolean {
  return origin === "forecast" || origin === "again";
}
