import { freshPlanting, type NewZone } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import type { WeatherDevice } from "../climate/weather-device.ts";
import { sameDayDevice } from "../testing/same-day-device.ts";
import { bags, sampleFile, site, testServer } from "../testing/test-server.ts";

/** The same day again and again, by so much warmer than the 22 °C in which a melon's lengths hold. */
function warmer(byC: number): WeatherDevice {
  const shift: WeatherDevice["outside"] = (place, fromMs, toMs) =>
    sameDayDevice.outside(place, fromMs, toMs).map(({ startMs, values }) => ({
      startMs,
      values: { ...values, airTemperature: 22 + byC },
    }));
  return {
    simulated: false,
    outside: shift,
    inside: (place, _house, fromMs, toMs) => shift(place, fromMs, toMs),
    forecast: (place, _now, fromMs, toMs) => shift(place, fromMs, toMs),
  };
}

interface Crop {
  version: number;
  now: { stageId: string; day: number };
  planting: {
    stages: {
      id: string;
      from: string;
      done: number;
      of: number;
      unit: string;
      early: string | null;
      late: string | null;
    }[];
  };
}

async function grown(device: WeatherDevice | undefined, plantings: NewZone["plantings"]) {
  const server = await testServer({ now: "2026-06-20T08:00:00Z", ...(device && { device }) });
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", { ...bags, plantings });
  if (device) await server.rooms.climate.followStation(Date.parse("2026-05-01T00:00:00Z"));
  const crop = async (date = "2026-06-20") =>
    (await server.call("GET", `/api/zones/1/crop?date=${date}`)).body as unknown as Crop;
  const startOf = async (id: string) => (await crop()).planting.stages.find((stage) => stage.id === id)?.from;
  return { server, crop, startOf };
}
const melons = [freshPlanting("melon-netted", "2026-05-05")];

describe("the stages of a planting", () => {
  it("come after their days in the usual climate, sooner in a warmer house and later in a colder one", async () => {
    // 12 + 20 days of 12 °C·d: flowering begins on day 33; at 28 °C 18 °C·d a day make it 22 days, at 18 °C 8 make it 48.
    expect(await (await grown(undefined, melons)).startOf("flowering")).toBe("2026-06-06");
    expect(await (await grown(warmer(0), melons)).startOf("flowering")).toBe("2026-06-06");
    expect(await (await grown(warmer(6), melons)).startOf("flowering")).toBe("2026-05-27");
    expect(await (await grown(warmer(-4), melons)).startOf("flowering")).toBe("2026-06-22");
  });

  it("say how far they are by what drives them, and how much those to come may shift", async () => {
    const { crop } = await grown(warmer(0), melons);
    const { planting, now } = await crop();
    const stage = planting.stages.find(({ id }) => id === now.stageId);
    expect(stage).toMatchObject({ unit: "°C·d", done: 12 * now.day, early: null });
    const last = planting.stages.at(-1);
    expect(last?.early && last.early < last.from).toBe(true);
    expect(last?.late && last.late > last.from).toBe(true);
  });

  it("move when weather of their days comes in: an imported June under 22 °C holds them back", async () => {
    const { server, startOf } = await grown(undefined, melons);
    expect(await startOf("fill")).toBe("2026-06-24");
    const sent = await server.call("POST", "/api/weather/imports", sampleFile("weather-iso.csv"));
    expect(sent.status).toBeLessThan(300);
    expect(((await startOf("fill")) ?? "") > "2026-06-24").toBe(true);
  });
});

describe("a crop that flowers in short days", () => {
  const planted = (nights: NewZone["plantings"][number]["nights"], missedNights: string[] = []) => [
    freshPlanting("kalanchoe", "2026-04-20", {
      signs: [{ stageId: "short-days", on: "2026-06-01" }],
      nights,
      missedNights,
    }),
  ];
  const cloth = {
    kind: "cloth",
    fromOn: "2026-06-01",
    untilOn: null,
    start: "17:30",
    end: "08:00",
    wattsM2: null,
  } as const;
  const shortDays = async (plantings: NewZone["plantings"]) =>
    (await (await grown(undefined, plantings)).crop()).planting.stages.find(({ id }) => id === "short-days");

  it("counts no day of June in the open, each of them under cloth, and none whose cloth was forgotten", async () => {
    expect(await shortDays(planted([]))).toMatchObject({ done: 0, of: 42, unit: "short days" });
    expect(await shortDays(planted([cloth]))).toMatchObject({ done: 20 });
    expect(await shortDays(planted([cloth], ["2026-06-08", "2026-06-11"]))).toMatchObject({ done: 18 });
  });
});
