import { localDate } from "@sprunel/core/time";
import { useBoard } from "./use-board.ts";
import { countedOn, useClock } from "./use-clock.ts";
import { usePlace } from "./use-place.ts";

/** When something is noted, and which day is looked at meanwhile. */
export interface Noting {
  /** the day that is looked at */
  readonly date: string;
  readonly today: string;
  /** by the server's clock */
  readonly now: string;
  readonly timeZone: string;
}

/** @returns null while the board or its site is not known */
export function useNoting(): Noting | null {
  const { date } = usePlace();
  const { data: board, dataUpdatedAt } = useBoard(null);
  const pace = useClock().data?.pace;
  if (!board?.site) return null;
  const { site } = board;
  // The board may be old, as while the server does not answer: the time goes on all the same.
  const nowMs = countedOn(Date.parse(board.now), dataUpdatedAt, pace);
  const [today, now] = [localDate(nowMs, site.timeZone), new Date(nowMs).toISOString()];
  // Of a day to come nothing can be noted yet.
  return { date: date === null || date > today ? today : date, today, now, timeZone: site.timeZone };
}
