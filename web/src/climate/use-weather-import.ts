import { importWeather, previewWeather, type WeatherChoices, type WeatherFile } from "@sprunel/contract/climate";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask, askFollowed } from "../http/api.ts";
import { useFollowed } from "../http/use-followed.ts";
import type { ChosenFile } from "../files/chosen-file.ts";

/** What an import of the file would do, read as chosen. */
export function useWeatherPreview(file: ChosenFile | null, choices: WeatherChoices) {
  const { step, follow } = useFollowed();
  const preview = useQuery({
    queryKey: ["climate", "weather-preview", file?.id, choices],
    queryFn: ({ signal }) =>
      follow((onStep) => askFollowed(previewWeather, { body: bodyOf(file, choices), signal }, onStep)),
    enabled: file !== null,
    placeholderData: (before, query) => (query?.queryKey[2] === file?.id ? before : undefined),
  });
  return { ...preview, step };
}

export function useWeatherImport() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ file, choices }: { file: ChosenFile; choices: WeatherChoices }) =>
      ask(importWeather, { body: bodyOf(file, choices) }),
    onSuccess: () => client.invalidateQueries(),
  });
}

function bodyOf(file: ChosenFile | null, choices: WeatherChoices): WeatherFile {
  return { fileName: file?.name ?? "", contentBase64: file?.contentBase64 ?? "", choices };
}
