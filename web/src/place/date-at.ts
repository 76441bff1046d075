import { localDate } from "@sprunel/core/time";
import dayjs from "dayjs";

/** The date at the site at an instant, as 16 Jun. */
export function dateAt(instant: string, timeZone: string): string {
  return dayjs(localDate(Date.parse(instant), timeZone)).format("D MMM");
}
