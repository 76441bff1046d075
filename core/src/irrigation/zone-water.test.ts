import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { spanOf, type Span } from "../time/clock.ts";
import { zoneWater } from "./zone-water.ts";
import type { SoilNeeds, ZoneWaterInput } from "./zone-water-input.ts";

const span = (start: string, end: string): Span => spanOf({ start, end }, "span");
const bags: ZoneWaterInput = {
  system: "substrate",
  date: "2026-06-15",
  areaM2: 1000,
  plants: 2000,
  zoneFlowLh: 4000,
  uniformityPct: 92,
  demandMm: 4.2,
  substrate: { waterHeldLPlant: 6, pulseSharePct: 4, drainTargetPct: 30 },
  window: span("07:00", "18:00"),
  minGapMin: 10,
};
const soil: SoilNeeds = {
  depletionMm: 14,
  totalAvailableMm: 80,
  triggerPct: 30,
  refillPct: 100,
  wettedPct: 60,
  ecWaterMsCm: 0.8,
  ecZeroYieldMsCm: 15,
};
const tunnel: ZoneWaterInput = { ...bags, system: "soil-drip", substrate: undefined, soil, uniformityPct: 88 };

describe("a zone's water", () => {
  it("gives a substrate its demand plus the drain, cut into pulses of the share chosen", () => {
    const water = zoneWater(bags);
    // 4.2 ÷ 0.7 = 6 L/m²; 6000 L on 2000 plants = 3 L each; 3 ÷ 0.24 = 12.5 → 13 pulses; 6000 ÷ 4000 × 60 = 90 min.
    expect(water).toMatchObject({
      grossMm: expect.closeTo(6, 9),
      litres: expect.closeTo(6000, 6),
      drainL: expect.closeTo(1800, 6),
      minutesTotal: expect.closeTo(90, 6),
    });
    expect(water.events).toHaveLength(13);
    expect(water.working.find(({ label }) => label === "Given a plant")?.value).toBeCloseTo(3, 9);
    expect(water.warnings).toEqual([]);
    expect(water.events[0]?.startS).toBe(7 * 3600);
  });

  it("never cuts a day into more pulses than one every five minutes, however small a pulse is asked for", () => {
    const substrate = { waterHeldLPlant: 0.01, pulseSharePct: 0.1, drainTargetPct: 30 };
    const { events, litres } = zoneWater({ ...bags, minGapMin: 0, substrate });
    expect(events).toHaveLength(288);
    expect(litres).toBeCloseTo(6000, 6);
    expect(() => zoneWater({ ...bags, substrate: { ...substrate, pulseSharePct: 1e-320 } })).toThrow(
      /share of a pulse must be 0.1 to 50 %/,
    );
  });

  it("waters soil only when tonight's depletion reaches the trigger, and then refills it", () => {
    // 48 mm are wetted, the trigger is 14.4 mm; 14 + 4.2 = 18.2 mm; LR = 0.8/30 = 0.027: unevenness rules, 18.2 ÷ 0.88.
    expect(zoneWater(tunnel)).toMatchObject({
      netMm: expect.closeTo(18.2, 9),
      grossMm: expect.closeTo(18.2 / 0.88, 9),
      leachingPct: expect.closeTo(2.667, 3),
    });
    expect(zoneWater({ ...tunnel, soil: { ...soil, depletionMm: 9 } })).toMatchObject({
      netMm: 0,
      litres: 0,
      events: [],
    });
    expect(zoneWater({ ...tunnel, soil: { ...soil, rainMm: 10 } }).litres).toBe(0);
  });

  it("adds leaching to unevenness only beyond a tenth", () => {
    const salty = zoneWater({ ...tunnel, soil: { ...soil, ecWaterMsCm: 6 } });
    expect(salty.grossMm).toBeCloseTo(18.2 / (0.88 * 0.8), 9);
    const losses = ({ working }: typeof salty) => working.find(({ label }) => label === "Losses")?.substituted;
    expect(losses(salty)).toBe("1 − 0.88 × (1 − 0.2)");
    expect(losses(zoneWater(tunnel))).toMatch(/^max\(1 − 0\.88, 0\.02/);
  });

  it("answers little drain of high EC with one cure: more water, not also a higher drain target", () => {
    const low = zoneWater({
      ...bags,
      substrate: {
        waterHeldLPlant: 6,
        pulseSharePct: 4,
        drainTargetPct: 28,
        yesterday: { drainPct: 12, drainEcMsCm: 4.3, feedEcMsCm: 2.3 },
      },
    });
    expect(low.netMm).toBeCloseTo((4.2 * 0.88) / 0.72, 9);
    expect(low.leachingPct).toBeCloseTo(28, 9);
    const salty = zoneWater({
      ...bags,
      substrate: {
        waterHeldLPlant: 6,
        pulseSharePct: 4,
        drainTargetPct: 28,
        yesterday: { drainPct: 28, drainEcMsCm: 5, feedEcMsCm: 2.3 },
      },
    });
    expect(salty.netMm).toBeCloseTo(4.2, 9);
    // uptake EC (2.3 − 0.28·5)/0.72 = 1.25; (2.3 − 1.25)/(3.45 − 1.25) = 0.4773
    expect(salty.leachingPct).toBeCloseTo(47.73, 1);
  });

  it("says how much a window that is too short leaves undone", () => {
    const short = zoneWater({ ...bags, window: span("07:00", "08:00") });
    expect(short.litres).toBeCloseTo(4000, 6);
    expect(short.warnings.join()).toMatch(/2000 L of 6000 L/);
  });

  it("keeps water whole and pulses apart, inside the window, for any zone", () => {
    const zone = fc.record({
      system: fc.constantFrom("substrate" as const, "soil-drip" as const),
      areaM2: evenly(1, 20_000),
      zoneFlowLh: evenly(50, 50_000),
      demandMm: evenly(0, 12),
      uniformityPct: evenly(50, 100),
      minGapMin: evenly(0, 120),
      startH: fc.integer({ min: 0, max: 22 }),
      lengthMin: fc.integer({ min: 1, max: 59 }),
      lengthH: fc.integer({ min: 0, max: 10 }),
    });
    fc.assert(
      fc.property(zone, ({ startH, lengthH, lengthMin, ...rest }) => {
        const endH = Math.min(23, startH + lengthH);
        const window = { startS: startH * 3600, endS: endH * 3600 + lengthMin * 60 + 30 };
        const water = zoneWater({ ...bags, soil, ...rest, window });
        const sum = water.events.reduce((total, event) => total + event.litres, 0);
        expect(sum).toBeCloseTo(water.litres, 6);
        if (!water.warnings.some((warning) => warning.includes("too short")))
          expect(water.litres).toBeCloseTo(water.netMm * rest.areaM2 + water.drainL, 6);
        let free = window.startS;
        for (const event of water.events) {
          expect(event.startS).toBeGreaterThanOrEqual(free);
          expect(event.startS + event.minutes * 60).toBeLessThanOrEqual(window.endS + 1e-6);
          free = event.startS + (event.minutes + rest.minGapMin) * 60 - 1e-6;
        }
      }),
      { numRuns: 500 },
    );
  });

  it.each([
    ["areaM2", { areaM2: 0 }],
    ["plants", { plants: -3 }],
    ["uniformityPct", { uniformityPct: 130 }],
    ["window.end", { window: span("18:00", "07:00") }],
    ["et0Mm", { demandMm: undefined }],
    ["demandMm", { et0Mm: 4, kc: 1 }],
    ["soil", { system: "soil-drip" as const }],
    ["soil.depletionMm", { system: "soil-drip" as const, soil: { ...soil, depletionMm: 90 } }],
    // 60 % of 80 mm are wetted: 49 mm cannot be missing from 48.
    ["soil.depletionMm", { system: "soil-drip" as const, soil: { ...soil, depletionMm: 49 } }],
    ["soil.ecWaterMsCm", { system: "soil-drip" as const, soil: { ...soil, ecWaterMsCm: 16 } }],
  ])("refuses a bad %s and names it", (path, change) => {
    expect(() => zoneWater({ ...bags, ...change })).toThrow(expect.objectContaining({ path }));
  });
});
