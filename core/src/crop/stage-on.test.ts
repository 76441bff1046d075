import { describe, expect, it } from "vitest";
import { addDays } from "../time/local-time.ts";
import { cropById } from "./library/library.ts";
import { grownByDays } from "./grown.ts";
import { cropStateOn, signFault } from "./stage-on.ts";

const courgette = cropById("courgette");

describe("the stage of a crop", () => {
  it("follows the days, from 0.5 at planting to 0.95 in full picking as FAO-56 has Kc", () => {
    expect(cropStateOn(grownByDays(courgette, "2026-04-01"), "2026-03-31")).toBeNull();
    expect(cropStateOn(grownByDays(courgette, "2026-04-01"), "2026-04-01")).toMatchObject({
      day: 1,
      days: 20,
      kc: 0.5,
    });
    expect(cropStateOn(grownByDays(courgette, "2026-04-01"), "2026-06-01")).toMatchObject({
      kc: 0.95,
      period: { stage: { id: "picking" } },
    });
    expect(cropStateOn(grownByDays(courgette, "2026-04-01"), "2026-12-01")).toBeNull();
  });

  it("stays in its last stage while nobody clears it, for as long as picking may be drawn out", () => {
    const crop = cropById("courgette");
    const last = grownByDays(crop, "2026-05-01").periodsFrom("2026-05-01").at(-1);
    if (!last) throw new Error("a courgette has stages");
    const after = cropStateOn(grownByDays(crop, "2026-05-01"), addDays(last.endsOn, 40));
    expect(after?.period.stage.id).toBe(last.stage.id);
    expect(after).toMatchObject({ kc: last.stage.kcEnd, leafAreaIndex: last.stage.leafAreaEnd });
    expect(cropStateOn(grownByDays(crop, "2026-05-01"), addDays(last.endsOn, 400))).toBeNull();
  });

  it("begins anew each year of a perennial, as on the same day of the year before", () => {
    const bush = cropById("blueberry");
    const [first, third] = ["2026-06-01", "2027-06-01"].map((date) =>
      cropStateOn(grownByDays(bush, "2026-02-10"), date),
    );
    expect(third).toMatchObject({ kc: first?.kc, leafAreaIndex: first?.leafAreaIndex });
    expect(third?.period.stage).toBe(first?.period.stage);
    expect(cropStateOn(grownByDays(bush, "2024-02-29"), "2031-02-28")).not.toBeNull();
  });

  it("begins when it is seen to begin, and shifts what follows", () => {
    const signs = [{ stageId: "flowering", on: "2026-05-01" }];
    const periods = grownByDays(courgette, "2026-04-01", signs).periodsFrom("2026-04-01");
    expect(periods.map((period) => period.startsOn)).toEqual([
      "2026-04-01",
      "2026-04-21",
      "2026-05-01",
      "2026-05-13",
      "2026-06-22",
    ]);
    expect(periods[1]?.endsOn).toBe("2026-05-01");
    expect(periods[2]?.seen).toBe(true);
  });
});

describe("a stage that is seen", () => {
  const seen = [{ stageId: "flowering", on: "2026-05-01" }];

  it.each([
    ["in its order", "picking", "2026-05-20", null],
    ["again on another day", "flowering", "2026-05-03", null],
    [
      "before the one that comes before it",
      "picking",
      "2026-05-01",
      /Flowering was seen on 2026-05-01, and comes before/,
    ],
    ["after the one that follows it", "leaf", "2026-05-02", /Flowering was seen on 2026-05-01, and comes after/],
    ["before planting", "leaf", "2026-03-30", /before planting on 2026-04-01/],
    ["of another crop", "bulb", "2026-05-20", /has no stage bulb/],
    ["that is planting itself", "establishment", "2026-04-03", /begins with planting/],
  ])("%s", (_what, stageId, on, words) => {
    const fault = signFault({ crop: courgette, plantedOn: "2026-04-01" }, "2026-04-01", { stageId, on }, seen);
    if (words === null) expect(fault).toBeNull();
    else expect(fault?.message).toMatch(words);
  });
});
