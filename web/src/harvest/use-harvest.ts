import { addPick, getZoneHarvest, strikePick, type NewPick } from "@sprunel/contract/harvest";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

export function useHarvest(zoneId: number, date: string | null) {
  return useQuery({
    queryKey: ["harvest", "zone", zoneId, date],
    queryFn: ({ signal }) => ask(getZoneHarvest, { params: { id: zoneId }, query: { date }, signal }),
  });
}

export function useAddPick(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (pick: NewPick) => ask(addPick, { params: { id: zoneId }, body: pick }),
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useStrikePick(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, reason }: { id: number; reason: string }) =>
      ask(strikePick, { params: { id: zoneId, pickId: id }, body: { reason } }),
    onSuccess: () => client.invalidateQueries(),
  });
}
