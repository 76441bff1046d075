import { importWeather } from "@sprunel/contract/climate";
import type { Site } from "@sprunel/contract/site";
import { addDays } from "@sprunel/core/time";
import { describe, expect, it } from "vitest";
import { absent, bags, site, testServer, type TestServer } from "../testing/test-server.ts";
import type { DeviceHour, WeatherDevice } from "./weather-device.ts";

const HOUR_MS = 3_600_000;
const MINUTE_MS = 60_000;
const at = (text: string): number => Date.parse(`${text}Z`);
const NOW = "2026-06-20T08:30:00";
/** Universal time, so that a day has the hours of its date. */
const place = { ...site, timeZone: "UTC" };

/** A station that tells of every hour which one it was, as its temperature, and remembers what it was asked. */
function station(simulated = false) {
  const asked: { of: string; from: string; to: string }[] = [];
  const hours = (of: string, fromMs: number, toMs: number): DeviceHour[] => {
    asked.push({ of, from: new Date(fromMs).toISOString(), to: new Date(toMs).toISOString() });
    return Array.from({ length: Math.ceil((toMs - fromMs) / HOUR_MS) }, (_, hour) => {
      const startMs = fromMs + hour * HOUR_MS;
      const values = { airTemperature: new Date(startMs).getUTCHours(), humidity: 60, wind: 2, radiation: 1, rain: 0 };
      return { startMs, values: of === "inside" ? { airTemperature: 30, humidity: 70 } : values };
    });
  };
  const device: WeatherDevice = {
    simulated,
    outside: (_place, fromMs, toMs) => hours("outside", fromMs, toMs),
    inside: (_place, _house, fromMs, toMs) => hours("inside", fromMs, toMs),
    forecast: (_place, _nowMs, fromMs, toMs) => hours("forecast", fromMs, toMs),
  };
  return { device, asked };
}

/** A site with one zone under glass, at a clock that a test sets. */
async function nursery(simulated = false) {
  const { device, asked } = station(simulated);
  const clock = { ms: at(NOW) };
  const server = await testServer({
    device,
    steered: { now: () => clock.ms, pace: "paused", setPace: () => undefined, startAgain: () => undefined },
  });
  await server.call("POST", "/api/site", place);
  await server.call("POST", "/api/zones", bags);
  const stored = (await server.scope.site.find()) ?? absent("the site");
  // Describing a zone has looked ahead already.
  asked.length = 0;
  return { server, asked, clock, stored };
}
const day = async ({ rooms }: TestServer, at: Site, date: string) =>
  (await rooms.climate.weather.days(at, date, date))[0] ?? absent(date);
const sent = (rows: readonly string[]) => ({
  fileName: "own.csv",
  contentBase64: Buffer.from(["time,temp C,rh %,wind m/s,solar W/m2,rain mm", ...rows].join("\n")).toString("base64"),
  choices: { stampMarks: "start", timeZone: "UTC" } as const,
});

describe("a station that is followed", () => {
  it("is asked for every whole hour once, outside and in the house, and goes on from there", async () => {
    const { server, asked, clock } = await nursery();
    await server.rooms.climate.followStation(at("2026-06-20T05:10:00"));
    const span = { from: "2026-06-20T05:00:00.000Z", to: "2026-06-20T08:00:00.000Z" };
    expect(asked).toEqual([
      { of: "outside", ...span },
      { of: "inside", ...span },
    ]);
    const measured = () => asked.filter(({ of }) => of !== "forecast");
    asked.length = 0;
    await server.rooms.climate.followStation(at("2026-06-20T05:10:00"));
    expect(measured()).toEqual([]);
    clock.ms += HOUR_MS;
    await server.rooms.climate.followStation(at("2026-06-20T05:10:00"));
    expect(measured().map(({ from, to }) => [from, to])).toEqual(
      Array(2).fill(["2026-06-20T08:00:00.000Z", "2026-06-20T09:00:00.000Z"]),
    );
    const rows = await server.db("weather_reading").where({ kind: "airTemperature" }).count({ n: "*" }).first();
    expect(rows).toEqual({ n: 8 });
  });
});

describe("the weather of a day", () => {
  it("is measured up to the running hour, foreseen from it on, and no day that is over is foreseen", async () => {
    const { server, stored } = await nursery();
    await server.rooms.climate.followStation(at("2026-06-18T00:00:00"));
    const { hours, air } = await day(server, stored, "2026-06-20");
    expect(hours.map(({ values }) => values.airTemperature?.value)).toEqual(Array.from({ length: 24 }, (_, h) => h));
    const origins = hours.map(({ values }) => values.airTemperature?.origin);
    expect(origins).toEqual([...Array<string>(8).fill("simulated"), ...Array<string>(16).fill("forecast")]);
    expect([...air.values()][0]?.[3]?.airTemperatureC).toBe(30);
    const over = await day(server, stored, "2026-06-19");
    expect(new Set(over.hours.map(({ values }) => values.rain?.origin))).toEqual(new Set(["simulated"]));
  });

  it("is foreseen for four days, and comes again from the last two weeks as far as anything is planned", async () => {
    const { server, asked, stored } = await nursery();
    await server.rooms.climate.followStation(at("2026-06-01T00:00:00"));
    const originOn = async (date: string): Promise<string | undefined> =>
      (await server.rooms.climate.weather.days(stored, date, date))[0]?.hours[0]?.values.airTemperature?.origin;
    expect(await originOn("2026-06-23")).toBe("forecast");
    expect(await originOn("2026-06-30")).toBe("again");
    expect(await originOn(addDays("2026-06-20", 60))).toBe("again");
    expect(await originOn(addDays("2026-06-20", 61))).toBeUndefined();
    for (const { of, to } of asked)
      if (of === "forecast") expect(Date.parse(to)).toBeLessThanOrEqual(at("2026-06-24T08:00:00"));
  });

  it("is remembered: one that runs for some minutes, one that is over until weather of it comes in", async () => {
    const { server, asked, clock, stored } = await nursery();
    await server.rooms.climate.followStation(at("2026-06-18T00:00:00"));
    const forecasts = () => asked.filter(({ of }) => of === "forecast").length;
    await day(server, stored, "2026-06-20");
    const once = forecasts();
    clock.ms += 4 * MINUTE_MS;
    await day(server, stored, "2026-06-20");
    expect(forecasts()).toBe(once);
    clock.ms += 2 * MINUTE_MS;
    await day(server, stored, "2026-06-20");
    expect(forecasts()).toBe(once + 1);
    const before = await day(server, stored, "2026-06-19");
    expect(await day(server, stored, "2026-06-19")).toBe(before);
    await server.answerTo(importWeather, { body: sent(["2026-06-19T10:00,11.5,60,2,400,0"]) });
    const after = await day(server, stored, "2026-06-19");
    expect(after.hours[10]?.values.airTemperature).toMatchObject({ value: 11.5, origin: "imported" });
    expect(after.hours[11]?.values.airTemperature).toMatchObject({ value: 11, origin: "simulated" });
  });

  it("rests on a made-up station only where one made up its light", async () => {
    const rests = async (simulated: boolean): Promise<boolean> => {
      const { server, stored } = await nursery(simulated);
      await server.rooms.climate.followStation(at("2026-06-18T00:00:00"));
      return server.rooms.climate.weather.isSimulated(await day(server, stored, "2026-06-19"));
    };
    expect([await rests(true), await rests(false)]).toEqual([true, false]);
    const { server, stored } = await nursery(true);
    const rows = Array.from({ length: 24 }, (_, h) => `2026-06-19T${String(h).padStart(2, "0")}:00,15,60,2,100,0`);
    await server.answerTo(importWeather, { body: sent(rows) });
    await server.rooms.climate.followStation(at("2026-06-18T00:00:00"));
    const { weather } = server.rooms.climate;
    expect(weather.isSimulated(await day(server, stored, "2026-06-19"))).toBe(false);
    expect(weather.isSimulated(await day(server, stored, "2026-06-18"))).toBe(true);
    expect(weather.isSimulated(undefined)).toBe(false);
  });
});

describe("a file of weather", () => {
  it("that says another thing of an hour is kept beside it: the first stands, and both are told", async () => {
    const { server, stored } = await nursery();
    await server.answerTo(importWeather, {
      body: sent(["2026-06-19T10:00,11,60,2,400,0", "2026-06-19T11:00,12,60,2,400,0"]),
    });
    const again = await server.answerTo(importWeather, {
      body: sent([
        "2026-06-19T10:00,11,60,2,400,0",
        "2026-06-19T11:00,19,60,2,400,0",
        "2026-06-19T12:00,13,60,2,400,0",
      ]),
    });
    expect(again.stored).toMatchObject({ newValues: 5, alreadyThere: 9, conflicts: 1 });
    expect((await day(server, stored, "2026-06-19")).hours[11]?.values.airTemperature?.value).toBe(12);
    const conflicts = await server.db("weather_conflict").select("kind", "value");
    expect(conflicts).toEqual([{ kind: "airTemperature", value: 19 }]);
  });
});
