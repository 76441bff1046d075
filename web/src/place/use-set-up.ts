import { addSite, addZone, getSetUp, updateSite, updateZone, type NewSite, type NewZone } from "@sprunel/contract/site";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

export function useSetUp() {
  return useQuery({
    queryKey: ["site", "set-up"],
    queryFn: ({ signal }) => ask(getSetUp, { signal }),
  });
}

/** A record that exists is changed at its version; one without is added. */
export interface Existing {
  readonly id: number;
  readonly version: number;
}

export function useSaveSite() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ existing, record }: { existing: Existing | null; record: NewSite }) =>
      existing
        ? ask(updateSite, { params: { id: existing.id }, body: { ...record, version: existing.version } })
        : ask(addSite, { body: record }),
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useSaveZone() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ existing, record }: { existing: Existing | null; record: NewZone }) =>
      existing
        ? ask(updateZone, { params: { id: existing.id }, body: { ...record, version: existing.version } })
        : ask(addZone, { body: record }),
    onSuccess: () => client.invalidateQueries(),
  });
}
