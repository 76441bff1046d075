import { describe, expect, it } from "vitest";
import { houseAir, weatherHours, type WeatherSample } from "./weather-hours.ts";

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const sample = (
  startMs: number,
  value: number,
  origin: WeatherSample["origin"] = "simulated",
  kind: WeatherSample["kind"] = "airTemperature",
): WeatherSample => ({ startMs, kind, value, origin });

describe("the best known hours", () => {
  it("take imported before measured, measured before simulated, and forecast last", () => {
    const [hour] = weatherHours(0, HOUR, [
      sample(0, 4, "forecast"),
      sample(0, 3),
      sample(0, 1, "imported"),
      sample(0, 2, "measured"),
    ]);
    expect(hour?.values.airTemperature).toEqual({ value: 1, origin: "imported" });
  });

  it("fill a gap with the mean of the same hour before, rain with none, and mark both", () => {
    const at = 3 * DAY;
    const [hour] = weatherHours(at, at + HOUR, [
      sample(at - DAY, 20),
      sample(at - 2 * DAY, 10),
      sample(at - DAY, 5, "simulated", "rain"),
    ]);
    expect(hour?.values).toMatchObject({
      airTemperature: { value: 15, origin: "filled" },
      rain: { value: 0, origin: "filled" },
    });
    expect(hour?.values.wind).toBeUndefined();
  });
});

describe("the air in a house", () => {
  const both = (startMs: number, t: number, rh: number): WeatherSample[] => [
    sample(startMs, t),
    sample(startMs, rh, "simulated", "humidity"),
  ];

  it("is the sensor's where it has read, and else outside plus the difference of the days before", () => {
    const outside = weatherHours(0, 2 * DAY, [...both(0, 10, 80), ...both(DAY, 12, 80)]);
    const air = houseAir(outside, both(0, 17, 80), 0).filter((hour) => hour.startMs % DAY === 0);
    expect(air[0]).toMatchObject({ airTemperatureC: 17, origin: "simulated" });
    expect(air[1]).toMatchObject({ airTemperatureC: 19, origin: "carried" });
  });

  it("is the air outside where no sensor ever read, and says so", () => {
    const [air] = houseAir(weatherHours(0, HOUR, both(0, 20, 50)), [], 0);
    expect(air).toMatchObject({ airTemperatureC: 20, vpdKpa: expect.closeTo(1.169, 3), origin: "outside" });
  });

  it("keeps a heated house without a sensor at its set point, with the air of a closed house and not of a desert", () => {
    // 0 °C and 80 % outside hold 0.49 kPa; warmed to 18 °C alone that would leave a deficit of 1.58 kPa
    const [cold] = houseAir(weatherHours(0, HOUR, both(0, 0, 80)), [], 0, 18);
    expect(cold).toMatchObject({ airTemperatureC: 18, origin: "heated" });
    expect(cold?.vpdKpa).toBeCloseTo(0.25 * 2.064, 2);
    const [mild] = houseAir(weatherHours(0, HOUR, both(0, 22, 60)), [], 0, 18);
    expect(mild).toMatchObject({ airTemperatureC: 22, origin: "outside" });
  });
});
