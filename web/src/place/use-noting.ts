import { useBoard } from "./use-board.ts";
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
  const board = useBoard(null).data;
  if (!board?.site) return null;
  const { today, now, site } = board;
  // Of a day to come nothing can be noted yet.
  return { date: date === null || date > today ? today : date, today, now, timeZone: site.timeZone };
}
