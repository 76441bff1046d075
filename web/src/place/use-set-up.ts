import {
  addSite,
  addZone,
  archiveZone,
  copyZone,
  deleteZone,
  getSetUp,
  updateSite,
  updateZone,
  type NewSite,
  type NewZone,
} from "@sprunel/contract/site";
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

export function useCopyZone() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, names }: { id: number; names: readonly string[] }) =>
      ask(copyZone, { params: { id }, body: { names: [...names] } }),
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useArchiveZone() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, archived }: { id: number; archived: boolean }) =>
      ask(archiveZone, { params: { id }, body: { archived } }),
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useDeleteZone() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: number) => ask(deleteZone, { params: { id } }),
    onSuccess: () => client.invalidateQueries(),
  });
}
