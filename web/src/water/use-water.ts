import { importWater, previewWater, type WaterFile } from "@sprunel/contract/exchange";
import { addWaterReport, getWaterReports, type NewWaterReport } from "@sprunel/contract/water";
import { keepPreviousData, useMutation, useQuery, useQueryClient, skipToken } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

export function useWaterReports() {
  return useQuery({
    queryKey: ["feed", "water-reports"],
    queryFn: ({ signal }) => ask(getWaterReports, { signal }),
  });
}

export function useWaterPreview(file: WaterFile | null) {
  return useQuery({
    queryKey: ["water", "preview", file],
    queryFn: file === null ? skipToken : () => ask(previewWater, { body: file }),
    placeholderData: keepPreviousData,
  });
}

export function useWaterImport() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (file: WaterFile) => ask(importWater, { body: file }),
    // A sample may be of a source or of a zone.
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useAddWaterReport() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (report: NewWaterReport) => ask(addWaterReport, { body: report }),
    onSuccess: () => client.invalidateQueries({ queryKey: ["feed"] }),
  });
}
