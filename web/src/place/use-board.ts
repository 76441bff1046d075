import { getBoard } from "@sprunel/contract/today";
import { keepPreviousData, queryOptions, useQuery } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

/** Pulses pass and hours come in while a board stands open. */
const REFRESH_MS = 60_000;

export function boardQuery(date: string | null) {
  return queryOptions({
    queryKey: ["plan", "board", date],
    queryFn: ({ signal }) => ask(getBoard, { query: { date }, signal }),
  });
}

export function useBoard(date: string | null) {
  return useQuery({ ...boardQuery(date), placeholderData: keepPreviousData, refetchInterval: REFRESH_MS });
}
