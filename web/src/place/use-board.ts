import { getBoard } from "@sprunel/contract/today";
import { keepPreviousData, queryOptions, useQuery } from "@tanstack/react-query";
import { ask } from "../http/api.ts";
import { refreshMs, useClock } from "./use-clock.ts";

export function boardQuery(date: string | null) {
  return queryOptions({
    queryKey: ["plan", "board", date],
    queryFn: ({ signal }) => ask(getBoard, { query: { date }, signal }),
  });
}

export function useBoard(date: string | null) {
  const pace = useClock().data?.pace;
  return useQuery({ ...boardQuery(date), placeholderData: keepPreviousData, refetchInterval: refreshMs(pace) });
}
