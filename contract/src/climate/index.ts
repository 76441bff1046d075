export { referenceEtAnswerSchema, referenceEtRequestSchema } from "./reference-et.ts";
export {
  weatherChoicesSchema,
  weatherFileSchema,
  weatherImportAnswerSchema,
  weatherKindSchema,
  weatherPreviewSchema,
  type WeatherChoices,
  type WeatherFile,
  type WeatherImportAnswer,
  type WeatherPreview,
} from "./weather-import.ts";
