import { waterPreviewSchema, type WaterFile } from "@sprunel/contract/exchange";
import { waterReportsSchema, type NewWaterReport } from "@sprunel/contract/water";
import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { getJson, sendJson } from "../http/api.ts";

export function useWaterReports() {
  return useQuery({
    queryKey: ["feed", "water-reports"],
    queryFn: ({ signal }) => getJson("/api/water-reports", waterReportsSchema, signal),
  });
}

export function useWaterPreview(file: WaterFile | null) {
  return useQuery({
    queryKey: ["water", "preview", file],
    queryFn: () => sendJson("POST", "/api/water/previews", file, waterPreviewSchema),
    enabled: file !== null,
    placeholderData: keepPreviousData,
  });
}

export function useWaterImport() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (file: WaterFile) => sendJson("POST", "/api/water/imports", file, waterPreviewSchema),
    // A sample may be of a source or of a zone.
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useAddWaterReport() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (report: NewWaterReport) => sendJson("POST", "/api/water-reports", report, waterReportsSchema),
    onSuccess: () => client.invalidateQueries({ queryKey: ["feed"] }),
  });
}
