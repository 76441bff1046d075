import { addReading, getRootHistory, strikeReading, type NewReading, type Strike } from "@sprunel/contract/rootzone";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

export function useRootHistory(zoneId: number, date: string | null) {
  return useQuery({
    queryKey: ["rootzone", "history", zoneId, date],
    queryFn: ({ signal }) => ask(getRootHistory, { params: { id: zoneId }, query: { date }, signal }),
  });
}

export function useAddReading(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (reading: NewReading) => ask(addReading, { params: { id: zoneId }, body: reading }),
    // A reading changes tomorrow's plan and what is to decide: everything is asked anew.
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useStrike(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (strike: Strike) => ask(strikeReading, { params: { id: zoneId }, body: strike }),
    onSuccess: () => client.invalidateQueries(),
  });
}
