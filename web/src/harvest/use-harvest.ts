import { getDayPicks, getZoneHarvest, strikePick, type NewPick, type NewPicks } from "@sprunel/contract/harvest";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";
import { useKept } from "../http/use-kept.ts";

export function useHarvest(zoneId: number, date: string | null) {
  return useQuery({
    queryKey: ["harvest", "zone", zoneId, date],
    queryFn: ({ signal }) => ask(getZoneHarvest, { params: { id: zoneId }, query: { date }, signal }),
  });
}

export function useDayPicks(date: string | null) {
  return useQuery({
    queryKey: ["harvest", "day", date],
    queryFn: ({ signal }) => ask(getDayPicks, { query: { date }, signal }),
  });
}

export function useAddPicks() {
  return useKept("picks", (picks: NewPicks["picks"]) => ({ body: { picks } }));
}

export function useAddPick(zoneId: number) {
  return useKept("pick", (pick: NewPick) => ({ params: { id: zoneId }, body: pick }));
}

export function useStrikePick(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, reason }: { id: number; reason: string }) =>
      ask(strikePick, { params: { id: zoneId, pickId: id }, body: { reason } }),
    onSuccess: () => client.invalidateQueries(),
  });
}
