import { zoneDaySchema } from "@sprunel/contract/plan";
import { useQuery } from "@tanstack/react-query";
import { getJson } from "../http/api.ts";

export function useZoneDay(zoneId: number, date: string | null) {
  return useQuery({
    queryKey: ["plan", "zone-day", zoneId, date],
    queryFn: ({ signal }) =>
      getJson(`/api/zones/${zoneId}/day${date === null ? "" : `?date=${date}`}`, zoneDaySchema, signal),
  });
}
