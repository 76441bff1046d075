import { zoneHarvestSchema, type NewPick } from "@sprunel/contract/harvest";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { getJson, sendJson } from "../http/api.ts";

export function useHarvest(zoneId: number, date: string | null) {
  return useQuery({
    queryKey: ["harvest", "zone", zoneId, date],
    queryFn: ({ signal }) =>
      getJson(`/api/zones/${zoneId}/harvest${date === null ? "" : `?date=${date}`}`, zoneHarvestSchema, signal),
  });
}

export function useAddPick(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (pick: NewPick) => sendJson("POST", `/api/zones/${zoneId}/picks`, pick, zoneHarvestSchema),
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useStrikePick(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, reason }: { id: number; reason: string }) =>
      sendJson("POST", `/api/zones/${zoneId}/picks/${id}/strikes`, { reason }, zoneHarvestSchema),
    onSuccess: () => client.invalidateQueries(),
  });
}
