import { clockAt } from "./clock-at.ts";
import { dateAt } from "./date-at.ts";
import { useDates } from "../units/dates.tsx";
import { useBoard } from "./use-board.ts";

interface SiteTime {
  /** the site's date now, as the server has it; empty until it has answered */
  readonly today: string;
  /** an instant at the site, as 16 Jun */
  date(instant: string): string;
  /** an instant at the site, as 16 Jun 06:14 */
  moment(instant: string): string;
}

/** Dates and times as the site's clock has them: neither the browser's day nor its time zone counts. */
export function useSiteTime(): SiteTime {
  const board = useBoard(null).data;
  const dates = useDates();
  const timeZone = board?.site?.timeZone ?? "UTC";
  const date = (instant: string): string => dateAt(instant, timeZone, dates);
  return { today: board?.today ?? "", date, moment: (instant) => `${date(instant)} ${clockAt(instant, timeZone)}` };
}
