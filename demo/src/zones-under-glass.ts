import { RAISING_STARTS } from "@sprunel/core/crop";
import { HISTORY_DAYS, STEADY, type DemoZone } from "./story.ts";

/** Melons whose filter fills and whose doser drifts, lettuce on water that goes round, pot plants on benches and mats. */
export const underGlass: readonly DemoZone[] = [
  {
    waters: { "Roof basin": 70, Borehole: 30 },
    zone: {
      name: "Melon bags",
      house: { name: "Glass A", transmissionPct: 68, heatedToC: 17 },
      definition: {
        system: "substrate",
        areaM2: 640,
        plants: 1280,
        flowLh: 2560,
        uniformityPct: 92,
        startAfterSunriseMin: 90,
        endBeforeSunsetMin: 120,
        minGapMin: 15,
        waterHeldLPlant: 5,
        easilyAvailablePct: 45,
        pulseSharePct: 4,
      },
      unconfirmed: ["easilyAvailablePct", "minGapMin"],
    },
    plantings: [
      { cropId: "melon-netted", plantedDaysAgo: 155, clearedDaysAgo: 64 },
      { cropId: "melon-netted", plantedDaysAgo: 58, clearedDaysAgo: -32, seen: { flowering: 26 } },
      {
        cropId: "melon-netted",
        plantedDaysAgo: -34,
        clearedDaysAgo: null,
        raising: { ...RAISING_STARTS.seed, benchDays: 24 },
      },
    ],
    truth: {
      ...STEADY,
      demandFactor: 1.06,
      // A filter that fills up: the last two days bring over a fifth less than the clock was set for.
      delivered: (daysAgo) => (daysAgo <= 1 ? 0.78 : daysAgo === 2 ? 0.85 : 1),
      // The doser loses its stroke, a little more every day.
      dosed: (daysAgo) => Math.max(0.82, 1 - 0.03 * Math.max(0, 5 - daysAgo)),
      drainPh: () => 6.3,
      uptakeShare: 0.85,
    },
    harvest: { targetPerM2: 7, everyDays: 3, kgPerFruit: 1.25, share: () => 0.97 },
    tankL: 200,
  },
  {
    waters: { "Roof basin": 100 },
    zone: {
      name: "Lettuce tanks",
      house: { name: "Glass A", transmissionPct: 68, heatedToC: 17 },
      definition: {
        system: "solution-tank",
        areaM2: 180,
        plants: 2880,
        flowLh: 1800,
        uniformityPct: 100,
        startAfterSunriseMin: 240,
        endBeforeSunsetMin: 60,
        minGapMin: 15,
        fullLevelCm: 24,
        topUpAtCm: 23,
      },
      unconfirmed: ["topUpAtCm"],
    },
    plantings: [
      { cropId: "lettuce-butterhead", plantedDaysAgo: 130, clearedDaysAgo: 88, seen: { leaf: 117 } },
      { cropId: "lettuce-butterhead", plantedDaysAgo: 86, clearedDaysAgo: 43, seen: { leaf: 77 } },
      // Planted every three weeks from here on, half of the tanks at a time.
      {
        cropId: "lettuce-butterhead",
        plantedDaysAgo: 30,
        seen: { leaf: 21 },
        clearedDaysAgo: null,
        part: { from: 1, to: 6, of: 12 },
      },
      {
        cropId: "lettuce-butterhead",
        plantedDaysAgo: 11,
        seen: { leaf: 2 },
        clearedDaysAgo: null,
        part: { from: 7, to: 12, of: 12 },
      },
    ],
    truth: {
      ...STEADY,
      // The same water again and again: what the plants leave behind builds up until the solution is renewed every six weeks.
      builtUpMsCm: (daysAgo) => 0.007 * ((171 - daysAgo) % 44),
    },
    harvest: { targetPerM2: 15, everyDays: 3, share: () => 1 },
    tankL: 100,
  },
  {
    waters: { "Roof basin": 100 },
    zone: {
      name: "Cyclamen benches",
      house: { name: "Glass B", transmissionPct: 66, heatedToC: 15 },
      definition: {
        system: "sub-irrigated-bench",
        areaM2: 240,
        plants: 3360,
        flowLh: 9000,
        uniformityPct: 100,
        startAfterSunriseMin: 60,
        endBeforeSunsetMin: 180,
        minGapMin: 30,
        waterHeldLPlant: 0.42,
        easilyAvailablePct: 55,
        floodAtPct: 55,
        floodDepthMm: 25,
      },
      unconfirmed: ["waterHeldLPlant"],
    },
    plantings: [
      {
        cropId: "cyclamen",
        plantedDaysAgo: 98,
        clearedDaysAgo: null,
        // Pot to pot at first, then apart in two steps.
        spaced: [
          { daysAgo: 98, plantsPerM2: 40 },
          { daysAgo: 63, plantsPerM2: 24 },
          { daysAgo: 28, plantsPerM2: 14 },
        ],
      },
    ],
    // Flood water comes back a little stronger each week.
    truth: { ...STEADY, builtUpMsCm: (daysAgo) => 0.0025 * (HISTORY_DAYS - daysAgo) },
    harvest: { targetPerM2: 13, everyDays: 7, share: () => 1 },
    tankL: 150,
  },
  {
    waters: { "Roof basin": 100 },
    zone: {
      name: "Succulent mats",
      house: { name: "Glass B", transmissionPct: 66, heatedToC: 15 },
      definition: {
        system: "sub-irrigated-bench",
        areaM2: 160,
        plants: 3200,
        flowLh: 4000,
        uniformityPct: 92,
        startAfterSunriseMin: 120,
        endBeforeSunsetMin: 240,
        minGapMin: 30,
        waterHeldLPlant: 0.28,
        easilyAvailablePct: 50,
        floodAtPct: 50,
        floodDepthMm: 6,
      },
      unconfirmed: ["floodAtPct"],
    },
    plantings: [
      {
        cropId: "kalanchoe",
        plantedDaysAgo: 58,
        clearedDaysAgo: null,
        seen: { "short-days": 15 },
        cloth: { daysAgo: 15, start: "17:30", end: "08:00" },
        missedDaysAgo: [4],
      },
    ],
    truth: STEADY,
    harvest: { targetPerM2: 19, everyDays: 7, share: () => 1 },
    tankL: 100,
  },
];
