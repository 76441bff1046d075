import { freshPlanting } from "@sprunel/contract/site";
import type { Part } from "@sprunel/core/crop";
import { describe, expect, it } from "vitest";
import { site, testServer, zone } from "../testing/test-server.ts";

/** What is said of a zone with courgettes from and to these days, one after the other as they are sent. */
async function answerTo(...stands: (readonly [plantedOn: string, clearedOn: string | null, part?: Part])[]) {
  const { call } = await testServer();
  await call("POST", "/api/site", site);
  const plantings = stands.map(([plantedOn, clearedOn, part = null]) =>
    freshPlanting("courgette", plantedOn, { clearedOn, part }),
  );
  const { status, body } = await call("POST", "/api/zones", { ...zone, plantings });
  return [status, body.errors?.[0]?.path, body.errors?.[0]?.message];
}

describe("the plantings of a zone", () => {
  it("may begin on the day on which those before them are cleared", async () => {
    expect((await answerTo(["2026-03-01", "2026-05-01"], ["2026-05-01", null]))[0]).toBe(201);
  });

  it("find no room a day earlier, and are told until when it is taken", async () => {
    expect(await answerTo(["2026-03-01", "2026-05-01"], ["2026-04-30", null])).toEqual([
      422,
      "plantings.1.plantedOn",
      "The zone is not free on 2026-04-30: the planting of 2026-03-01 stands until 2026-05-01.",
    ]);
  });

  it("are told which rows are taken, where they have rows of their own", async () => {
    const rows = { from: 1, to: 2, of: 4 };
    expect((await answerTo(["2026-03-01", null, rows], ["2026-05-01", null, { from: 2, to: 3, of: 4 }]))[2]).toBe(
      "Rows 1 to 2 of 4 are not free on 2026-05-01: the planting of 2026-03-01 is not cleared.",
    );
    expect((await answerTo(["2026-03-01", null], ["2026-05-01", null, rows]))[2]).toMatch(
      /^The whole zone is not free on 2026-05-01/,
    );
  });

  it("come in order of time, even in rows of their own", async () => {
    const [first, second]: [Part, Part] = [
      { from: 1, to: 2, of: 4 },
      { from: 3, to: 4, of: 4 },
    ];
    expect((await answerTo(["2026-03-01", null, first], ["2026-05-01", null, second]))[0]).toBe(201);
    expect((await answerTo(["2026-05-01", null, first], ["2026-05-01", null, second]))[0]).toBe(201);
    expect(await answerTo(["2026-05-01", null, first], ["2026-03-01", null, second])).toEqual([
      422,
      "plantings.1.plantedOn",
      "Plantings come in order of time: 2026-03-01 is before 2026-05-01.",
    ]);
  });
});
