import { getZoneDay } from "@sprunel/contract/plan";
import { useQuery } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

export function useZoneDay(zoneId: number, date: string | null) {
  return useQuery({
    queryKey: ["plan", "zone-day", zoneId, date],
    queryFn: ({ signal }) => ask(getZoneDay, { params: { id: zoneId }, query: { date }, signal }),
  });
}
