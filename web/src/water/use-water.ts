import { importWater, previewWater, type WaterFile } from "@sprunel/contract/exchange";
import { addWaterReport, getWaterReports, type NewWaterReport } from "@sprunel/contract/water";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask, askFollowed } from "../http/api.ts";
import { useFollowed } from "../http/use-followed.ts";
import type { ChosenFile } from "../files/chosen-file.ts";

export function useWaterReports() {
  return useQuery({
    queryKey: ["feed", "water-reports"],
    queryFn: ({ signal }) => ask(getWaterReports, { signal }),
  });
}

/** How a lab file is read, and what of it is taken. */
export type LabChoices = Omit<WaterFile, "fileName" | "contentBase64">;

export function useWaterPreview(file: ChosenFile | null, choices: LabChoices) {
  const { step, follow } = useFollowed();
  const preview = useQuery({
    queryKey: ["water", "preview", file?.id, choices],
    queryFn: ({ signal }) =>
      follow((onStep) => askFollowed(previewWater, { body: bodyOf(file, choices), signal }, onStep)),
    enabled: file !== null,
    placeholderData: (before, query) => (query?.queryKey[2] === file?.id ? before : undefined),
  });
  return { ...preview, step };
}

export function useWaterImport() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ file, choices }: { file: ChosenFile; choices: LabChoices }) =>
      ask(importWater, { body: bodyOf(file, choices) }),
    // A sample may be of a source or of a zone.
    onSuccess: () => client.invalidateQueries(),
  });
}

function bodyOf(file: ChosenFile | null, choices: LabChoices): WaterFile {
  return { ...choices, fileName: file?.name ?? "", contentBase64: file?.contentBase64 ?? "" };
}

export function useAddWaterReport() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (report: NewWaterReport) => ask(addWaterReport, { body: report }),
    onSuccess: () => client.invalidateQueries({ queryKey: ["feed"] }),
  });
}
