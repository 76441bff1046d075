import type { SiteDay } from "@sprunel/contract/plan";
import type { Board } from "@sprunel/contract/today";
import type { ReactNode } from "react";
import { ProblemNote } from "../../parts/problem.tsx";
import { SiteWays } from "../../place/site-ways.tsx";
import { useBoard } from "../../place/use-board.ts";
import { usePlace } from "../../place/use-place.ts";
import { useSiteDay } from "./use-site-day.ts";

/** A page of the day that stands outside the shell: on paper, on the phone. */
export function DayFrame({ children }: { children(board: Board, day: SiteDay): ReactNode }) {
  const { date } = usePlace();
  const board = useBoard(date);
  const day = useSiteDay(date);
  const failed = [board, day].find(({ isError, data }) => isError && !data);
  if (failed?.error) return <ProblemNote error={failed.error} onRetry={() => void failed.refetch()} />;
  if (!board.data || !day.data) return null;
  return <SiteWays site={board.data.site}>{children(board.data, day.data)}</SiteWays>;
}
