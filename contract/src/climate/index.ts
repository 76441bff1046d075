export { computeDayLength, computeDemand, computeReferenceEt } from "./compute.ts";
export { importWeather, previewWeather } from "./endpoints.ts";
export {
  weatherChoicesSchema,
  weatherKindSchema,
  type WeatherChoices,
  type WeatherFile,
  type WeatherImportAnswer,
  type WeatherPreview,
} from "./weather-import.ts";
