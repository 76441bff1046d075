/** What a column of weather can mean, in plain words. */
export const KIND_WORDS = {
  time: "date and hour",
  airTemperature: "air temperature",
  humidity: "humidity",
  wind: "wind",
  radiation: "solar radiation",
  rain: "rain",
  ignore: "not needed",
} as const;
