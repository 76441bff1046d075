import { rootHistorySchema, type NewReading, type Strike } from "@sprunel/contract/rootzone";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { getJson, sendJson } from "../http/api.ts";

export function useRootHistory(zoneId: number, date: string | null) {
  return useQuery({
    queryKey: ["rootzone", "history", zoneId, date],
    queryFn: ({ signal }) =>
      getJson(`/api/zones/${zoneId}/roots${date === null ? "" : `?date=${date}`}`, rootHistorySchema, signal),
  });
}

export function useAddReading(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (reading: NewReading) => sendJson("POST", `/api/zones/${zoneId}/readings`, reading, rootHistorySchema),
    // A reading changes tomorrow's plan and what is to decide: everything is asked anew.
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useStrike(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (strike: Strike) => sendJson("POST", `/api/zones/${zoneId}/strikes`, strike, rootHistorySchema),
    onSuccess: () => client.invalidateQueries(),
  });
}
