import { addSource, getWater, updateSource, type NewSource, type Source } from "@sprunel/contract/water";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

export function useWaterStation(date: string | null) {
  return useQuery({
    queryKey: ["water", "station", date],
    queryFn: ({ signal }) => ask(getWater, { query: { date }, signal }),
  });
}

export function useSaveSource() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ existing, record }: { existing: Pick<Source, "id" | "version"> | null; record: NewSource }) =>
      existing
        ? ask(updateSource, { params: { id: existing.id }, body: { ...record, version: existing.version } })
        : ask(addSource, { body: record }),
    onSuccess: () => client.invalidateQueries(),
  });
}
