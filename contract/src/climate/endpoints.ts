import { endpoint } from "../basics/endpoint.ts";
import { weatherFileSchema, weatherImportAnswerSchema, weatherPreviewSchema } from "./weather-import.ts";

export const previewWeather = endpoint({
  method: "post",
  path: "/api/weather/previews",
  needs: "import",
  summary: "What an import of a weather file would do; stores nothing",
  body: weatherFileSchema,
  answer: weatherPreviewSchema,
  takesFiles: true,
});

export const importWeather = endpoint({
  method: "post",
  path: "/api/weather/imports",
  needs: "import",
  summary: "Import a weather file as its preview showed; a second time adds nothing",
  body: weatherFileSchema,
  answer: weatherImportAnswerSchema,
  status: 201,
  takesFiles: true,
});
