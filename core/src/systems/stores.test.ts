import { describe, expect, it } from "vitest";
import type {
  BasinZone,
  BenchZone,
  BuriedDripZone,
  SoilDripZone,
  SolutionTankZone,
  SubstrateZone,
} from "../site/zone.ts";
import { basin } from "./basin.ts";
import { bench } from "./bench.ts";
import { buriedDrip } from "./buried-drip.ts";
import type { Roots } from "./growing-system.ts";
import { soilDrip } from "./soil-drip.ts";
import { solutionTank } from "./solution-tank.ts";
import { substrate } from "./substrate.ts";

const COMMON = {
  ...{ areaM2: 100, plants: 200, flowLh: 400, uniformityPct: 90 },
  ...{ startAfterSunriseMin: 60, endBeforeSunsetMin: 60, minGapMin: 10 },
};
const roots = (more: Partial<Roots> = {}): Roots => ({ depthM: 0.5, depletionFraction: 0.4, drierPct: 0, ...more });

describe("a basin", () => {
  const zone: BasinZone = {
    ...{ ...COMMON, system: "basin", floodDepthMm: 40, bundCm: 20, refloodAtCm: 15 },
    ...{ percolationMmDay: 4.8, drainablePct: 10 },
  };

  it("holds its flood and what half a metre of soil lets go, and rain up to 5 cm under its crest", () => {
    // 40 mm of flood and 50 cm at 1 mm a cm; 200 − 50 − 40 mm above the flood; 4.8 mm a day seep, all day long.
    expect(basin.store(zone, roots())).toMatchObject({ fullMm: 90, availableMm: 90, overMm: 110 });
    expect(basin.store(zone, roots()).seepMmH).toBeCloseTo(0.2, 12);
    expect(basin.store({ ...zone, bundCm: 8 }, roots()).overMm).toBe(0);
  });

  it("lets the crop drink freely down to its mark, or to the share of another crop where that lies deeper", () => {
    // At the mark the flood and 15 cm of soil are gone: 55 mm.
    expect(basin.store(zone, roots({ depletionFraction: 0.2 })).easyMm).toBe(55);
    expect(basin.store(zone, roots({ depletionFraction: 0.8 })).easyMm).toBeCloseTo(72, 9);
    expect(basin.store({ ...zone, refloodAtCm: 60 }, roots()).easyMm).toBe(90);
  });

  it("is flooded at its mark; a pond at half its depth, and no deeper than a flood; drained, it is left alone", () => {
    const marks = (pond: Roots["pond"]) => basin.marks(zone, basin.store(zone, roots()), roots({ pond }));
    expect(marks(null)).toEqual({ triggerMm: 55, leaveMm: 0 });
    expect(marks({ kind: "pond", cm: 3 })).toEqual({ triggerMm: 25, leaveMm: 10 });
    expect(marks({ kind: "pond", cm: 9 })).toEqual({ triggerMm: 20, leaveMm: 0 });
    expect(marks({ kind: "drain" })).toEqual({ triggerMm: 90, leaveMm: 0 });
  });

  it.each([
    [0, 4],
    [15, 2.5],
    [40, 0],
    [55, -15],
  ])("with %d mm missing shows water at %d cm, and reads it back", (missingMm, levelCm) => {
    expect(basin.seen(zone, missingMm).levelCm).toBeCloseTo(levelCm, 9);
    expect(basin.missingMm(zone, { levelCm })).toBeCloseTo(missingMm, 9);
    expect(basin.missingMm(zone, {})).toBeNull();
  });
});

describe("a bench that is flooded", () => {
  // 200 pots of half a litre on 100 m²: a litre on a square metre.
  const zone: BenchZone = {
    ...{ ...COMMON, system: "sub-irrigated-bench", waterHeldLPlant: 0.5, easilyAvailablePct: 45 },
    ...{ floodAtPct: 60, floodDepthMm: 25 },
  };
  const store = bench.store(zone, roots());

  it("holds what its pots hold, of which a share is easy, and sends back what it cannot hold", () => {
    expect(store).toMatchObject({ fullMm: 1, availableMm: 1, easyMm: 0.4, drainShareH: 1, returns: true });
    expect(bench.store(zone, roots({ depletionFraction: null })).easyMm).toBe(0.45);
  });

  it("is flooded when so much is left, later where it is to be drier, and before it is all but dry", () => {
    expect(bench.marks(zone, store, roots()).triggerMm).toBeCloseTo(0.4, 9);
    expect(bench.marks(zone, store, roots({ drierPct: 20 })).triggerMm).toBeCloseTo(0.6, 9);
    expect(bench.marks(zone, store, roots({ drierPct: 80 })).triggerMm).toBeCloseTo(0.9, 9);
  });

  it("shows a pot's weight in litres, and reads it back", () => {
    expect(bench.seen(zone, 0.4).heldLPlant).toBeCloseTo(0.3, 9);
    expect(bench.missingMm(zone, { heldLPlant: 0.3 })).toBeCloseTo(0.4, 9);
  });
});

describe("a tank of solution", () => {
  const zone: SolutionTankZone = { ...COMMON, system: "solution-tank", fullLevelCm: 25, topUpAtCm: 23 };

  it("holds its level in mm, nearly all of it easy, and neither drains nor seeps", () => {
    const store = solutionTank.store(zone, roots({ depletionFraction: null }));
    expect(store).toMatchObject({ fullMm: 250, availableMm: 250, easyMm: 225, drainShareH: 0, seepMmH: 0 });
    expect(solutionTank.store(zone, roots()).easyMm).toBe(100);
  });

  it("is topped up two centimetres down, and shows its level, which is never read as over the brim", () => {
    const store = solutionTank.store(zone, roots());
    expect(solutionTank.marks(zone, store, roots())).toEqual({ triggerMm: 20, leaveMm: 0 });
    expect(solutionTank.seen(zone, 20)).toEqual({ levelCm: 23 });
    expect([23, 26].map((levelCm) => solutionTank.missingMm(zone, { levelCm }))).toEqual([20, 0]);
    expect(solutionTank.missingMm(zone, {})).toBeNull();
  });
});

describe("bags with drippers", () => {
  // 200 plants of 5 L on 100 m²: 10 L/m², of which 45 % are easy.
  const zone: SubstrateZone = {
    ...{ ...COMMON, system: "substrate", waterHeldLPlant: 5, easilyAvailablePct: 45, pulseSharePct: 4 },
  };

  it("hold so much on a square metre, of which the crop may have its share, and let run out what is over", () => {
    expect(substrate.store(zone, roots())).toMatchObject({
      ...{ fullMm: 10, availableMm: 4.5, easyMm: 1.8, drainShareH: 1, efficientShare: 0.9, returns: false },
    });
    expect(substrate.store(zone, roots({ depletionFraction: null })).easyMm).toBe(4.5);
  });

  it("get a pulse of a twenty-fifth of what they hold", () => {
    const store = substrate.store(zone, roots());
    expect(substrate.marks(zone, store, roots())).toEqual({ triggerMm: 0.4, leaveMm: 0 });
  });
});

describe("soil under drippers", () => {
  const zone: SoilDripZone = {
    ...{ ...COMMON, system: "soil-drip", availableMmM: 150, wettedPct: 60, refillPct: 95, triggerPct: 30 },
    ...{ ecWaterMsCm: 0.5, mulchSavesPct: 0 },
  };
  // 150 mm in a metre, half a metre deep, over 60 % of the ground.
  const store = soilDrip.store(zone, roots());

  it("holds at field capacity twice what roots can take, and after heavy rain as much again for some hours", () => {
    expect(store).toMatchObject({ fullMm: 90, availableMm: 45, easyMm: 18, overMm: 45, efficientShare: 0.9 });
    // 95 % of what stands over it is gone within a day.
    expect((1 - store.drainShareH) ** 24).toBeCloseTo(0.05, 2);
  });

  it("is watered at its trigger, never later than the crop stands without stress, and filled to its mark", () => {
    expect(soilDrip.marks(zone, store, roots())).toEqual({
      triggerMm: expect.closeTo(13.5, 9) as number,
      leaveMm: expect.closeTo(2.25, 9) as number,
    });
    expect(soilDrip.marks({ ...zone, triggerPct: 80 }, store, roots()).triggerMm).toBeCloseTo(18, 9);
    expect(soilDrip.marks(zone, store, roots({ drierPct: 10 })).triggerMm).toBeCloseTo(18, 9);
    expect(soilDrip.marks(zone, store, roots({ drierPct: 90 })).triggerMm).toBeCloseTo(40.5, 9);
  });
});

describe("lines below the ground", () => {
  const zone: BuriedDripZone = {
    ...{ ...COMMON, system: "buried-drip", availableMmM: 150, wettedPct: 60, refillPct: 95, triggerPct: 30 },
    ...{ ecWaterMsCm: 0.5, mulchSavesPct: 0, lineDepthCm: 25, daysAWeek: 4 },
  };
  /** Monday 15 June 2026 and the six days after it. */
  const week = Array.from({ length: 7 }, (_, at) => `2026-06-${15 + at}`);
  const daysOf = (daysAWeek: number): string[] =>
    week.filter((date) => buriedDrip.watersOn?.({ ...zone, daysAWeek }, date)).map((date) => date.slice(-2));

  it.each([1, 2, 3, 4, 5, 6, 7])("run on %d days of a week", (days) => {
    expect(daysOf(days)).toHaveLength(days);
  });

  it("run evenly: four days are every second one from Tuesday on, and one is the Sunday", () => {
    expect(daysOf(4)).toEqual(["16", "18", "20", "21"]);
    expect(daysOf(1)).toEqual(["21"]);
  });

  it("leave the surface dry", () => {
    expect(buriedDrip.wetsPct?.(zone)).toBe(0);
  });
});
