import { importWater, previewWater, type WaterFile } from "@sprunel/contract/exchange";
import { addWaterReport, getWaterReports, type NewWaterReport } from "@sprunel/contract/water";
import { keepPreviousData, useMutation, useQuery, useQueryClient, skipToken } from "@tanstack/react-query";
import { ask, askFollowed } from "../http/api.ts";
import { useFollowed } from "../http/use-followed.ts";

export function useWaterReports() {
  return useQuery({
    queryKey: ["feed", "water-reports"],
    queryFn: ({ signal }) => ask(getWaterReports, { signal }),
  });
}

export function useWaterPreview(file: WaterFile | null) {
  const { step, follow } = useFollowed();
  const preview = useQuery({
    queryKey: ["water", "preview", file],
    queryFn:
      file === null
        ? skipToken
        : ({ signal }) => follow((onStep) => askFollowed(previewWater, { body: file, signal }, onStep)),
    placeholderData: keepPreviousData,
  });
  return { ...preview, step };
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
