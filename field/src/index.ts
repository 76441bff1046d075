export { chance, normal } from "./noise.ts";
export { houseSensor, type SimulatedHouse } from "./house-sensor.ts";
export { SimulatedWeatherStation, type SimulatedHour, type StationPlace } from "./weather-station.ts";
