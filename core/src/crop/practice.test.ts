import { describe, expect, it } from "vitest";
import { BASIN } from "../site/zones-for-tests.ts";
import { basin } from "../systems/basin.ts";
import { addDays } from "../time/local-time.ts";
import { grow, grownByDays } from "./grown.ts";
import { CROPS, cropById } from "./library/library.ts";
import { pondOn, practicesOf } from "./practice.ts";
import { cropStateOn } from "./stage-on.ts";

const rice = cropById("rice");
const PLANTED = "2026-05-01";
const grown = grownByDays(rice, PLANTED);
const datesOf = (practices: ReturnType<typeof practicesOf>) =>
  Object.fromEntries(practices.map(({ practice, on }) => [practice.id, on]));

describe("a paddy's calendar", () => {
  // Establishment 25 days, tillering 35, panicle 35, fill 25, ripening 15: flowering ends on day 95, harvest on day 135.
  const day = (count: number): string => addDays(PLANTED, count - 1);

  it("is puddled before planting, shallow for two weeks, dried in turn, wet round flowering and drained two weeks before harvest", () => {
    expect(datesOf(practicesOf(grown, PLANTED))).toMatchObject({
      puddle: day(-9),
      shallow: day(1),
      "tube-1": day(16),
      "nitrogen-3": day(61),
      wet: day(88),
      "tube-2": day(103),
      drain: day(121),
      harvest: day(135),
    });
  });

  it("keeps its water by what was last begun", () => {
    const kinds = [5, 40, 90, 110, 130].map((count) => pondOn(grown, PLANTED, day(count)));
    expect(kinds).toEqual([
      { kind: "pond", cm: 3 },
      { kind: "tube" },
      { kind: "pond", cm: 5 },
      { kind: "tube" },
      { kind: "drain" },
    ]);
    expect(cropStateOn(grown, day(90))?.pond).toEqual({ kind: "pond", cm: 5 });
    expect(pondOn(grownByDays(cropById("tomato"), PLANTED), PLANTED, day(5))).toBeNull();
  });

  it("moves with what is seen: a panicle seen ten days early brings all that follows ten days forward", () => {
    const panicle = practicesOf(grown, PLANTED).find(({ practice }) => practice.id === "nitrogen-3")?.on ?? "";
    const early = grow(
      {
        cropId: rice.id,
        plantedOn: PLANTED,
        clearedOn: null,
        signs: [{ stageId: "panicle", on: addDays(panicle, -10) }],
      },
      rice,
    );
    const [before, after] = [practicesOf(grown, PLANTED), practicesOf(early, PLANTED)].map(datesOf);
    for (const id of ["wet", "drain", "harvest"]) expect(after?.[id]).toBe(addDays(before?.[id] ?? "", -10));
    expect(after?.["shallow"]).toBe(before?.["shallow"]);
  });
});

describe("a basin's marks", () => {
  const roots = { depthM: 0.4, depletionFraction: 0.2, drierPct: 0 };
  const store = basin.store(BASIN, roots);
  const levelAt = (mm: number) => basin.seen(BASIN, mm).levelCm;

  it("are the tube's where nothing else is asked: 15 cm below the soil", () => {
    const { triggerMm, leaveMm } = basin.marks(BASIN, store, { ...roots, pond: { kind: "tube" } });
    expect([levelAt(triggerMm), levelAt(leaveMm)]).toEqual([-15, 4]);
    expect(basin.marks(BASIN, store, roots)).toEqual({ triggerMm, leaveMm });
  });

  it("keep 3 cm while plants are small: filled to it, and again at half; 5 cm are held at the depth of a flood, 4 cm", () => {
    const shallow = basin.marks(BASIN, store, { ...roots, pond: { kind: "pond", cm: 3 } });
    expect([levelAt(shallow.triggerMm), levelAt(shallow.leaveMm)]).toEqual([1.5, 3]);
    const wet = basin.marks(BASIN, store, { ...roots, pond: { kind: "pond", cm: 5 } });
    expect([levelAt(wet.triggerMm), levelAt(wet.leaveMm)]).toEqual([2, 4]);
  });

  it("ask for no more water once it is drained for harvest", () => {
    const { triggerMm } = basin.marks(BASIN, store, { ...roots, pond: { kind: "drain" } });
    expect(triggerMm).toBe(store.availableMm);
  });
});

describe("the library's practices", () => {
  it.each(CROPS.filter(({ practices }) => practices).map((crop) => [crop.id, crop] as const))(
    "of %s name its stages, each says where it is from, and what is assumed is marked",
    (_id, crop) => {
      for (const { from, until, source, assumed, id } of crop.practices ?? []) {
        for (const { stage } of until ? [from, until] : [from])
          expect(crop.stages.map((one) => one.id)).toContain(stage);
        expect(source.includes("assumed"), id).toBe(assumed === true);
      }
      const ids = (crop.practices ?? []).map(({ id }) => id);
      expect(new Set(ids).size).toBe(ids.length);
    },
  );
});
