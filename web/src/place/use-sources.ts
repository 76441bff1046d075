import { waterStationSchema, type NewSource, type Source } from "@sprunel/contract/water";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { getJson, sendJson } from "../http/api.ts";

export function useWaterStation(date: string | null) {
  return useQuery({
    queryKey: ["water", "station", date],
    queryFn: ({ signal }) => getJson(`/api/water${date === null ? "" : `?date=${date}`}`, waterStationSchema, signal),
  });
}

export function useSaveSource() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ existing, record }: { existing: Pick<Source, "id" | "version"> | null; record: NewSource }) =>
      existing
        ? sendJson("PUT", `/api/sources/${existing.id}`, { ...record, version: existing.version }, waterStationSchema)
        : sendJson("POST", "/api/sources", record, waterStationSchema),
    onSuccess: () => client.invalidateQueries(),
  });
}
