import { getSiteFile } from "@sprunel/contract/exchange";
import { getBoard } from "@sprunel/contract/today";
import {
  addOwnCrop,
  type CropDefinition,
  cropDefinitionSchema,
  definitionOf,
  getCrop,
  getCropLibrary,
} from "@sprunel/contract/crop";
import { freshPlanting, getSetUp } from "@sprunel/contract/site";
import { CROPS } from "@sprunel/core/crop";
import { describe, expect, it } from "vitest";
import { sampleFile, site, testServer, zone, type TestServer } from "../testing/test-server.ts";

async function withSite(): Promise<TestServer> {
  const server = await testServer({ now: "2026-06-20T08:00:00Z" });
  await server.call("POST", "/api/site", site);
  return server;
}
const ownTomato = ({ answerTo }: TestServer) =>
  answerTo(addOwnCrop, { body: { basedOn: "tomato", name: "Our plum tomato" } });

describe("the library of crops", () => {
  it.each(CROPS.map((crop) => [crop.id, crop] as const))("passes its own rules with %s", (_id, crop) => {
    expect(cropDefinitionSchema.safeParse(definitionOf(crop)).error).toBeUndefined();
  });

  it("lists every crop, and tells each with its feeds by stage", async () => {
    const { answerTo, call } = await withSite();
    const { crops } = await answerTo(getCropLibrary);
    expect(crops).toHaveLength(CROPS.length);
    expect(crops.every(({ own }) => !own)).toBe(true);
    const melon = await answerTo(getCrop, { params: { id: "melon-netted" } });
    expect(melon).toMatchObject({ version: null, basedOn: null });
    expect(melon.feeds[5]).toBe("Melon in substrate, fruit");
    expect((await call("GET", "/api/crops/triffid")).status).toBe(404);
  });
});

describe("a crop of one's own", () => {
  it("begins from the nearest one, and its figures move the plans of where it stands", async () => {
    const server = await withSite();
    const { call } = server;
    const { id, version, crop, basedOn } = await ownTomato(server);
    expect([id, version, basedOn?.id]).toEqual(["own-our-plum-tomato", 1, "tomato"]);
    await call("POST", "/api/zones", { ...zone, plantings: [freshPlanting(id, "2026-05-15")] });
    await call("POST", "/api/weather/imports", sampleFile("weather-iso.csv"));
    const board = async () => (await server.answerTo(getBoard, { query: { date: "2026-06-20" } })).zones[0]?.crop;
    expect((await board())?.stage).toBe("Leaf growth");
    const slower = { ...crop, stages: crop.stages.map((stage, at) => (at === 0 ? { ...stage, days: 60 } : stage)) };
    const changed = await call("PUT", `/api/crops/${id}`, { version: 1, crop: slower });
    expect([changed.status, changed.body["version"]]).toEqual([200, 2]);
    expect((await board())?.stage).toBe("Establishment");
    expect((await call("PUT", `/api/crops/${id}`, { version: 1, crop: slower })).status).toBe(409);
    expect((await call("DELETE", `/api/crops/${id}`)).status).toBe(422);
  });

  it("is offered in set-up, goes when nothing speaks of it, and leaves the library's as they are", async () => {
    const server = await withSite();
    const { call } = server;
    const { id } = await ownTomato(server);
    const names = async () => (await server.answerTo(getSetUp)).crops.map(({ name }) => name);
    expect(await names()).toContain("Our plum tomato");
    expect((await call("DELETE", `/api/crops/${id}`)).status).toBe(200);
    expect(await names()).not.toContain("Our plum tomato");
    expect((await call("DELETE", "/api/crops/tomato")).status).toBe(404);
    const taken = await call("POST", "/api/crops", { basedOn: "tomato", name: "tomato" });
    expect([taken.status, taken.body.errors?.[0]?.path]).toEqual([422, "crop.name"]);
  });

  it("travels as a file to another site, and goes with the whole site", async () => {
    const server = await withSite();
    const { id } = await ownTomato(server);
    const file = (await server.call("GET", `/api/crops/${id}/file`)).body;
    const other = await withSite();
    const read = await other.call("POST", "/api/crops/imports", file);
    expect([read.status, addOwnCrop.answer.parse(read.body).crop.name]).toEqual([201, "Our plum tomato"]);
    await server.call("POST", "/api/zones", { ...zone, plantings: [freshPlanting(id, "2026-05-15")] });
    const whole = await server.answerTo(getSiteFile);
    expect(whole.ownCrops.map((own) => own.id)).toEqual([id]);
  });

  it.each([
    ["a Kc of 12", (crop: CropDefinition) => ({ ...crop, kcStart: 12 }), "crop.kcStart", /0\.1 to 1\.6, not 12/],
    ["no stage", (crop: CropDefinition) => ({ ...crop, stages: [] }), "crop.stages", /at least one stage/],
    [
      "a stage of no length",
      (crop: CropDefinition) => ({ ...crop, stages: crop.stages.map((stage) => ({ ...stage, days: 0 })) }),
      "crop.stages.0.days",
      /1 to 1000/,
    ],
    [
      "a usual climate under its base",
      (crop: CropDefinition) => ({ ...crop, usualC: { ...crop.usualC, value: 6 } }),
      "crop.usualC.value",
      /must lie above the base/,
    ],
  ])("is refused whole with %s, at its place", async (_what, spoilt, path, words) => {
    const server = await withSite();
    const tomato = CROPS.find(({ id }) => id === "tomato");
    if (!tomato) throw new Error("the library has it");
    const file = { format: "sprunel-crop", version: 1, basedOn: "tomato", crop: spoilt(definitionOf(tomato)) };
    const read = await server.call("POST", "/api/crops/imports", file);
    expect(read.status).toBe(422);
    expect(read.body.errors?.[0]).toMatchObject({ path, message: expect.stringMatching(words) });
    expect(((await server.call("GET", "/api/crops")).body["crops"] as unknown[]).length).toBe(CROPS.length);
  });
});
