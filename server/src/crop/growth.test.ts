import { type ZoneCrop, getCrop, getZoneCrop, takeStageFit } from "@sprunel/contract/crop";
import { freshPlanting, type NewZone } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import type { WeatherDevice } from "../climate/weather-device.ts";
import { sameDayDevice } from "../testing/same-day-device.ts";
import { absent, bags, sampleFile, site, testServer } from "../testing/test-server.ts";

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

async function grown(device: WeatherDevice | undefined, plantings: NewZone["plantings"]) {
  const server = await testServer({ now: "2026-06-20T08:00:00Z", ...(device && { device }) });
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", { ...bags, plantings });
  if (device) await server.rooms.climate.followStation(Date.parse("2026-05-01T00:00:00Z"));
  const crop = async (date = "2026-06-20") =>
    await server.answerTo(getZoneCrop, { params: { id: 1 }, query: { date } });
  const startOf = async (id: string) => (await crop()).planting?.stages.find((stage) => stage.id === id)?.from;
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
    if (!planting || !now) return absent("the planting");
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
    (await (await grown(undefined, plantings)).crop()).planting?.stages.find(({ id }) => id === "short-days");

  it("counts no day of June in the open, each of them under cloth, and none whose cloth was forgotten", async () => {
    expect(await shortDays(planted([]))).toMatchObject({ done: 0, of: 42, unit: "short days" });
    expect(await shortDays(planted([cloth]))).toMatchObject({ done: 20 });
    expect(await shortDays(planted([cloth], ["2026-06-08", "2026-06-11"]))).toMatchObject({ done: 18 });
  });
});

describe("the nights of a crop that flowers in short days", () => {
  const kalanchoe = [
    freshPlanting("kalanchoe", "2026-04-20", { signs: [{ stageId: "short-days", on: "2026-06-01" }] }),
  ];
  const cloth = { kind: "cloth", fromOn: "2026-06-01", untilOn: null, start: "17:30", end: "08:00", wattsM2: null };
  const withCloth = async () => {
    const { server } = await grown(undefined, kalanchoe);
    const call = async (method: string, path: string, body?: object) => {
      const answer = await server.call(method, `/api/zones/1/${path}`, body);
      return {
        status: answer.status,
        errors: answer.body.errors,
        /** only where it was not refused; every one of these answers is the zone's crop */
        get body(): ZoneCrop {
          return getZoneCrop.answer.parse(answer.body);
        },
      };
    };
    const { version } = (await call("GET", "crop")).body;
    const set = await call("PUT", "nights", { version, nights: [cloth] });
    return { call, set };
  };

  it("tell tonight's times, what was counted, and the next switch, which cloth brings near", async () => {
    const { set } = await withCloth();
    expect(set.status).toBe(200);
    const { nights, shifts } = set.body;
    expect(nights?.counts).toMatchObject({ done: 20, needed: 42, criticalH: 12 });
    expect(nights?.tonight).toMatchObject({
      darkH: 14.5,
      spans: [{ kind: "cloth", fromUtc: "2026-06-20T15:30:00.000Z" }],
    });
    expect(nights?.tonight.ownDarkH).toBeLessThan(9);
    expect(nights?.past.filter(({ counted }) => counted)).toHaveLength(19);
    expect(nights?.nextSwitch).toEqual({ on: "2026-07-13", stage: "Flowering and sale" });
    expect(shifts).toMatchObject([{ stage: "Flowering and sale", after: "2026-07-13" }]);
  });

  it("put the switch off by a day for each that was missed, and back when it was kept after all", async () => {
    const { call, set } = await withCloth();
    const missed = await call("POST", "missed-nights", { on: "2026-06-15", version: set.body.version });
    expect(missed.body.shifts).toEqual([{ stage: "Flowering and sale", before: "2026-07-13", after: "2026-07-14" }]);
    expect(missed.body.nights?.past.find(({ date }) => date === "2026-06-15")).toMatchObject({
      missed: true,
      counted: false,
    });
    const back = await call("DELETE", `missed-nights/2026-06-15?version=${missed.body.version}`);
    expect(back.body.shifts).toEqual([{ stage: "Flowering and sale", before: "2026-07-14", after: "2026-07-13" }]);
  });

  it.each([
    ["in the future", { on: "2026-06-25" }, "on", /still to come/],
    ["before the cloth", { on: "2026-05-20" }, "on", /No cloth and no lamps were planned/],
  ])("refuse one that was missed %s", async (_what, body, path, words) => {
    const { call, set } = await withCloth();
    const { status, errors } = await call("POST", "missed-nights", { ...body, version: set.body.version });
    expect([status, errors?.[0]?.path]).toEqual([422, path]);
    expect(errors?.[0]?.message).toMatch(words);
  });

  it("refuse a programme that ends before it starts, in words", async () => {
    const { call, set } = await withCloth();
    const wrong = { ...cloth, start: "08:00", end: "17:30" };
    const { status, errors } = await call("PUT", "nights", { version: set.body.version, nights: [wrong] });
    expect([status, errors?.[0]?.path]).toEqual([422, "nights.0.end"]);
  });
});

describe("the air of a planting against what its crop does well in", () => {
  it("is judged day by day, and what lay outside for days is told with what it does", async () => {
    const { server } = await grown(warmer(-12), melons);
    const { air } = await server.answerTo(getZoneCrop, { params: { id: 1 } });
    expect(air?.days).toHaveLength(46);
    expect(air?.outside.find(({ kind }) => kind === "night")).toMatchObject({
      side: -1,
      days: 7,
      consequence: expect.stringContaining("slowly"),
    });
  });

  it("is told of roots that were read too cold once, and of no CO₂ that was read within its band", async () => {
    const { server, crop } = await grown(warmer(0), melons);
    const read = { at: "2026-06-18T06:00:00.000Z", rootC: 12, co2Ppm: 600 };
    expect((await server.call("POST", "/api/zones/1/readings", read)).status).toBe(201);
    const { air } = await crop();
    expect([air?.rootC, air?.co2Ppm]).toEqual([
      [18, 25],
      [400, 1000],
    ]);
    expect(air?.outside.find(({ kind }) => kind === "root")).toMatchObject({ side: -1, days: 1, ofDays: 1 });
    expect(air?.outside.find(({ kind }) => kind === "co2")).toBeUndefined();
  });
});

describe("a stage that is steadily seen later than its figure says", () => {
  const signs = (on: string) => [{ stageId: "leaf", on }];
  const plantings = [
    freshPlanting("lettuce-butterhead", "2026-01-10", { clearedOn: "2026-02-28", signs: signs("2026-01-23") }),
    freshPlanting("lettuce-butterhead", "2026-03-05", { clearedOn: "2026-04-20", signs: signs("2026-03-19") }),
    freshPlanting("lettuce-butterhead", "2026-05-20", { signs: signs("2026-06-02") }),
  ];

  it("is offered as it was counted here, and the planting goes on with it in a crop of one's own", async () => {
    const { server } = await grown(undefined, plantings);
    const before = await server.answerTo(getZoneCrop, { params: { id: 1 } });
    // 13, 14 and 13 days of 12 °C·d, against 10 of the library
    expect(before.fits).toMatchObject([{ stageId: "establishment", of: 120, mean: 160, next: "Leaf growth" }]);
    const taken = await server.call("POST", "/api/zones/1/stage-fits", {
      stageId: "establishment",
      version: before.version,
    });
    expect([taken.status, takeStageFit.answer.parse(taken.body).planting?.cropName]).toEqual([
      201,
      "Butterhead lettuce, as here",
    ]);
    const own = await server.answerTo(getCrop, { params: { id: "own-butterhead-lettuce-as-here" } });
    expect(own.crop.stages[0]?.days).toBe(13);
    const again = await server.call("POST", "/api/zones/1/stage-fits", {
      stageId: "head",
      version: before.version + 1,
    });
    expect(again.status).toBe(404);
  });
});
