export { environment, serve } from "./run.ts";
export { startServer, VERSION, type Prepared, type RunningServer, type ServerOptions } from "./start-server.ts";
export type { DeviceHour, WeatherDevice } from "./climate/weather-device.ts";
export { readingStore, type StoredReading } from "./rootzone/reading-store.ts";
export { wateringStore, type Watering } from "./irrigation/watering-store.ts";
export { pickStore } from "./harvest/pick-store.ts";
export type { Scope } from "./scope/scope.ts";
