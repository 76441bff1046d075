import { getSiteFile } from "@sprunel/contract/exchange";
import { addSoilStep, getSoilSteps, getZoneCrop } from "@sprunel/contract/crop";
import { freshPlanting, getSetUp } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import { site, testServer, zone } from "../testing/test-server.ts";

const KEY = "8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d6f0";
const manure = (more: object = {}) => ({
  ...{ key: `${KEY}1`, kind: "manure", on: "2026-06-10", waitDays: 30, note: "cattle manure, 30 t/ha" },
  ...more,
});
async function fallow(plantings: object[] = []) {
  const server = await testServer({ now: "2026-06-20T08:00:00Z" });
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", { ...zone, plantings });
  const add = (step: object) => server.call("POST", "/api/zones/1/soil-steps", step);
  const version = async () => (await server.answerTo(getZoneCrop, { params: { id: 1 } })).version;
  const plant = async (plantedOn: string) =>
    server.call("PUT", "/api/zones/1/next-planting", {
      ...{ cropId: "courgette", plantedOn, readyOn: null, raising: null, part: null, plants: null },
      version: await version(),
    });
  return { ...server, add, plant, version };
}

describe("what is done to a soil before planting", () => {
  it("stands in order with the day from which something may be planted, once however often it is sent", async () => {
    const { add, answerTo } = await fallow();
    expect((await add(manure())).status).toBe(201);
    await add(manure());
    await add({ ...manure(), key: `${KEY}2`, kind: "wetting", on: "2026-06-01", waitDays: 2, note: null });
    const { steps } = await answerTo(getSoilSteps, { params: { id: 1 } });
    expect(steps.map(({ kind, readyOn }) => [kind, readyOn])).toEqual([
      ["wetting", "2026-06-03"],
      ["manure", "2026-07-10"],
    ]);
  });

  it("blocks a planting until its wait is over, and no longer", async () => {
    const { add, plant } = await fallow();
    await add(manure());
    const early = await plant("2026-07-09");
    expect([early.status, early.body.errors?.[0]?.path]).toEqual([422, "plantedOn"]);
    expect(early.body.errors?.[0]?.message).toMatch(
      /Manure spread on 2026-06-10: nothing is planted before 2026-07-10/,
    );
    expect((await plant("2026-07-10")).status).toBeLessThan(300);
  });

  it("blocks a planting in set-up too, and none that stood before", async () => {
    const { add, answerTo, call, version } = await fallow([
      freshPlanting("courgette", "2026-04-01", { clearedOn: "2026-06-05" }),
    ]);
    await add(manure());
    const { zones } = await answerTo(getSetUp);
    const { id: _id, archived: _archived, plantings, ...rest } = zones[0] ?? {};
    const sent = async (plantedOn: string) =>
      call("PUT", "/api/zones/1", {
        ...rest,
        version: await version(),
        plantings: [...(plantings as object[]), freshPlanting("courgette", plantedOn)],
      });
    expect(await sent("2026-06-25")).toMatchObject({
      status: 422,
      body: { errors: [{ path: "plantings.1.plantedOn" }] },
    });
    expect((await sent("2026-07-15")).status).toBe(200);
  });

  it("is refused where a crop that is planned would come too early after it", async () => {
    const { add, plant } = await fallow();
    await plant("2026-07-01");
    const late = await add(manure());
    expect([late.status, late.body.errors?.[0]?.path]).toEqual([422, "waitDays"]);
    expect(late.body.errors?.[0]?.message).toMatch(/planted on 2026-07-01.*do this by 2026-06-01/);
  });

  it("is taken out again, and frees the planting", async () => {
    const { add, plant, call } = await fallow();
    const { steps } = addSoilStep.answer.parse((await add(manure())).body);
    await call("DELETE", `/api/zones/1/soil-steps/${steps[0]?.id ?? 0}`);
    expect((await plant("2026-06-25")).status).toBeLessThan(300);
    expect((await call("DELETE", "/api/zones/1/soil-steps/99")).status).toBe(404);
  });

  it("stands in the calendar, and goes with the site's file", async () => {
    const { add, answerTo, url } = await fallow();
    await add(manure());
    const table = await (await fetch(`${url}/api/crop-calendar.csv`)).text();
    expect(table).toMatch(/2026-06-10,Tunnel 1,Manure spread,.*nothing is planted before 2026-07-10/);
    const file = await answerTo(getSiteFile);
    expect(file.zones[0]?.soilSteps).toMatchObject([{ kind: "manure", struck: false }]);
  });

  it.each([
    [{ waitDays: -1 }, "waitDays"],
    [{ kind: "ash" }, "kind"],
    [{ on: "2026-02-30" }, "on"],
  ])("with %j is refused at its field", async (more, path) => {
    const { add } = await fallow();
    const { status, body } = await add(manure(more));
    expect([status, body.errors?.[0]?.path]).toEqual([422, path]);
  });
});
