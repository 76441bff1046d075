import { setUpSchema, siteSchema, zoneSchema, type NewSite, type NewZone } from "@sprunel/contract/site";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { getJson, sendJson } from "../http/api.ts";

export function useSetUp() {
  return useQuery({
    queryKey: ["site", "set-up"],
    queryFn: ({ signal }) => getJson("/api/set-up", setUpSchema, signal),
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
        ? sendJson("PUT", `/api/site/${existing.id}`, { ...record, version: existing.version }, siteSchema)
        : sendJson("POST", "/api/site", record, siteSchema),
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useSaveZone() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ existing, record }: { existing: Existing | null; record: NewZone }) =>
      existing
        ? sendJson("PUT", `/api/zones/${existing.id}`, { ...record, version: existing.version }, zoneSchema)
        : sendJson("POST", "/api/zones", record, zoneSchema),
    onSuccess: () => client.invalidateQueries(),
  });
}
