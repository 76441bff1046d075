import { localDate } from "@sprunel/core/time";
import type { Dates } from "../units/dates.tsx";

/** The date at the site at an instant, as 16 Jun. */
export function dateAt(instant: string, timeZone: string, dates: Dates): string {
  return dates.show(localDate(Date.parse(instant), timeZone), "day");
}
