import { getBoard } from "@sprunel/contract/today";
import { planNext, dropNext, getZoneCrop, getCalendarAddress } from "@sprunel/contract/crop";
import { RAISING_STARTS } from "@sprunel/core/crop";
import { freshPlanting } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import { bags, site, testServer } from "../testing/test-server.ts";

async function melons() {
  const { answerTo, call } = await testServer({ now: "2026-06-20T08:00:00Z" });
  await call("POST", "/api/site", site);
  await call("POST", "/api/zones", { ...bags, plantings: [freshPlanting("melon-netted", "2026-04-25")] });
  const crop = async (date = "2026-06-20") => await answerTo(getZoneCrop, { params: { id: 1 }, query: { date } });
  const ask = { cropId: "cucumber", plantedOn: "2026-08-10", raising: RAISING_STARTS.seed };
  return { answerTo, call, crop, ask };
}

describe("the next crop of a zone", () => {
  it("is planned while one stands, raised in steps counted back, and the zone is clear for it", async () => {
    const { answerTo, call, crop, ask } = await melons();
    const planned = await call("PUT", "/api/zones/1/next-planting", { ...ask, version: (await crop()).version });
    const { next, planting } = planNext.answer.parse(planned.body);
    expect(planned.status).toBe(200);
    expect(planting?.clearedOn).toBe("2026-08-10");
    // 200 plants ÷ (0.9 · 0.95)
    expect(next).toMatchObject({ cropName: "Cucumber", plantedOn: "2026-08-10", plan: { startFrom: 234, trays: 3 } });
    expect(next?.plan?.steps[0]).toMatchObject({ on: "2026-07-08", kind: "sow" });
    expect((await answerTo(getBoard, { query: { date: "2026-08-12" } })).zones[0]?.crop?.name).toBe("Cucumber");
    const { path } = await answerTo(getCalendarAddress);
    expect(path).toContain("/api/calendar/");
  });

  it("is changed in place, and dropped: what stands goes on as before", async () => {
    const { call, crop, ask } = await melons();
    await call("PUT", "/api/zones/1/next-planting", { ...ask, version: (await crop()).version });
    const later = { ...ask, plantedOn: "2026-08-20", raising: null, version: (await crop()).version };
    const changed = await call("PUT", "/api/zones/1/next-planting", later);
    // The clearing was for the first date; the zone is free from then on.
    expect(planNext.answer.parse(changed.body).next).toMatchObject({ plantedOn: "2026-08-20", plan: null });
    const dropped = await call("DELETE", `/api/zones/1/next-planting?version=${(await crop()).version}`);
    expect(dropNext.answer.parse(dropped.body).next).toBeNull();
    expect((await call("DELETE", `/api/zones/1/next-planting?version=${(await crop()).version}`)).status).toBe(404);
  });

  it("is counted back from the day on which it is to be picked first, by the air that it will have", async () => {
    const { call, crop, ask } = await melons();
    const ready = { ...ask, plantedOn: null, readyOn: "2026-10-01", version: (await crop()).version };
    const { body } = await call("PUT", "/api/zones/1/next-planting", ready);
    const { plantedOn = "" } = planNext.answer.parse(body).next ?? {};
    const { planting } = await crop(plantedOn);
    expect(planting?.stages.find(({ picking }) => picking)?.from).toBe("2026-10-01");
    const both = await call("PUT", "/api/zones/1/next-planting", {
      ...ready,
      plantedOn: "2026-08-01",
      version: (await crop()).version,
    });
    expect([both.status, both.body.errors?.[0]?.path]).toEqual([422, "plantedOn"]);
  });

  it.each([
    ["today", { plantedOn: "2026-06-20" }, "plantedOn", /planned ahead/],
    ["of a crop that nobody knows", { cropId: "triffid" }, "cropId", /not in the crop library/],
    [
      "with a share that cannot be",
      { raising: { ...RAISING_STARTS.seed, startPct: 0 } },
      "raising.startPct",
      /5 to 100 %, not 0/,
    ],
  ])("is refused %s", async (_what, more, path, words) => {
    const { call, crop, ask } = await melons();
    const answer = await call("PUT", "/api/zones/1/next-planting", {
      ...ask,
      ...more,
      version: (await crop()).version,
    });
    expect([answer.status, answer.body.errors?.[0]?.path]).toEqual([422, path]);
    expect(answer.body.errors?.[0]?.message).toMatch(words);
    expect((await crop()).next).toBeNull();
  });

  it("is refused while what stands is kept longer, and at an old version", async () => {
    const { call, crop, ask } = await melons();
    const { version } = await crop();
    const kept = { ...bags, plantings: [{ ...freshPlanting("melon-netted", "2026-04-25"), clearedOn: "2026-09-01" }] };
    expect((await call("PUT", "/api/zones/1", { ...kept, version })).status).toBe(200);
    const early = await call("PUT", "/api/zones/1/next-planting", { ...ask, version: version + 1 });
    expect(early.body.errors?.[0]?.message).toMatch(/not free on 2026-08-10.*cleared on 2026-09-01/);
    const late = { ...ask, plantedOn: "2026-09-05" };
    expect((await call("PUT", "/api/zones/1/next-planting", { ...late, version })).status).toBe(409);
  });
});
