import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { spanOf, type Span } from "../time/clock.ts";
import type { Main, MainLimit } from "./main.ts";
import { checkLock } from "./site-day-lock.ts";
import type { AskedZone, SiteDayInput, SitePulse } from "./site-day-input.ts";
import { siteDay } from "./site-day.ts";

const HOUR = 3600;
const NOTHING: Main = { limits: [], mixers: [], hands: null, tariff: [], rules: [], runs: [] };
const span = (start: string, end: string): Span => spanOf({ start, end }, "span");
const zone = (id: number, more: Partial<AskedZone> = {}): AskedZone => ({
  ...{ id, name: `Zone ${id}`, flowLh: 2000, litres: 2000, wantedS: [8 * HOUR, 12 * HOUR] },
  ...{ window: { startS: 6 * HOUR, endS: 18 * HOUR }, minGapMin: 20, recipe: null, dose: null, ...more },
});
const limit = (more: Partial<MainLimit>): MainLimit => ({
  ...{ kind: "pump", name: "Pump", maxLh: null, maxOpen: null, kw: null, zoneIds: null },
  ...more,
});
const day = (
  zones: readonly AskedZone[],
  main: Partial<Main> = {},
  more: Partial<SiteDayInput> = {},
): SiteDayInput => ({
  ...{ zones, main: { ...NOTHING, ...main }, nowS: -1, kept: [], excluded: [], ...more },
});
const rounds = (count: number) => () => count-- > 0;
const plan = (input: SiteDayInput, tries = 20) => siteDay(input, rounds(tries));
const of = (pulses: readonly SitePulse[], id: number | null) => pulses.filter(({ zoneId }) => zoneId === id);
const sum = (pulses: readonly SitePulse[]) => pulses.reduce((so, { litres }) => so + litres, 0);

/** Everything that a day must never do, by a sweep over its moments that shares nothing with the planner. */
function clashesOf({ main, zones, nowS, kept, excluded }: SiteDayInput, pulses: readonly SitePulse[]): string[] {
  const found: string[] = [];
  const end = ({ startS, lengthS }: SitePulse): number => startS + lengthS;
  const serves = (ids: readonly number[] | null, { zoneId }: SitePulse): boolean =>
    ids === null || (zoneId !== null && ids.includes(zoneId));
  const tiny = 1.5;
  for (const pulse of pulses) {
    // A second's worth of room: clocks are told on whole seconds.
    const running = pulses.filter((other) => other.startS <= pulse.startS && pulse.startS < end(other) - tiny);
    for (const { name, maxLh, maxOpen, zoneIds } of main.limits) {
      const through = running.filter((one) => serves(zoneIds, one));
      if (through.reduce((so, { lh }) => so + lh, 0) > (maxLh ?? Infinity) + 1e-6)
        found.push(`${name} at ${pulse.startS}`);
      if (through.length > (maxOpen ?? Infinity)) found.push(`valves of ${name} at ${pulse.startS}`);
    }
    for (const { name, maxLh } of main.mixers)
      if (running.filter(({ mixer }) => mixer === name).reduce((so, { lh }) => so + lh, 0) > maxLh + 1e-6)
        found.push(`mixer ${name} at ${pulse.startS}`);
    const mixer = main.mixers.find(({ name }) => name === pulse.mixer);
    for (const other of pulses) {
      if (other === pulse) continue;
      const between = Math.max(other.startS - end(pulse), pulse.startS - end(other));
      if (mixer && other.mixer === mixer.name && other.recipe !== pulse.recipe && between < mixer.rinseMin * 60 - tiny)
        found.push(`recipes ${pulse.id} and ${other.id}`);
      const own = zones.find(({ id }) => id === pulse.zoneId);
      if (own && other.zoneId === pulse.zoneId && between < own.minGapMin * 60 - tiny) found.push(`gap of ${pulse.id}`);
    }
    const own = zones.find(({ id }) => id === pulse.zoneId);
    if (pulse.mixer !== null && mixer && !serves(mixer.zoneIds, pulse)) found.push(`mixer of another: ${pulse.id}`);
    const stood = kept.find(({ id }) => id === pulse.id);
    if (stood && (stood.startS < nowS || stood.locked)) {
      if (stood.startS !== pulse.startS || stood.litres !== pulse.litres) found.push(`moved ${pulse.id}`);
      continue;
    }
    if (pulse.startS < nowS) found.push(`in the past: ${pulse.id}`);
    if (!own) continue;
    if (excluded.includes(own.id)) found.push(`excluded ${pulse.id}`);
    if (pulse.startS < own.window.startS || end(pulse) > own.window.endS + tiny) found.push(`window of ${pulse.id}`);
    const inside = ({ startS, endS }: Span): boolean => pulse.startS >= startS && end(pulse) <= endS + tiny;
    if (main.hands?.zoneIds.includes(own.id) && !main.hands.hours.some(inside)) found.push(`hands of ${pulse.id}`);
    for (const { startS, endS } of main.rules.find(({ zoneId }) => zoneId === own.id)?.dry ?? [])
      if (pulse.startS < endS && end(pulse) > startS + tiny) found.push(`dry ${pulse.id}`);
    const wet = main.rules.find(({ zoneId }) => zoneId === own.id)?.wet ?? [];
    if (wet.length > 0 && !wet.some(inside)) found.push(`not in its time: ${pulse.id}`);
  }
  const { hands } = main;
  if (hands) {
    const byHand = pulses.filter(({ zoneId }) => zoneId !== null && hands.zoneIds.includes(zoneId));
    for (const pulse of byHand) {
      const minded = byHand.filter((other) => other.startS <= pulse.startS && pulse.startS < end(other) - tiny);
      if (minded.length > hands.reach) found.push(`reach at ${pulse.startS}`);
      for (const other of byHand)
        for (const [a, b] of [
          [pulse.startS, other.startS],
          [pulse.startS, end(other)],
          [end(pulse), end(other)],
        ] as const)
          if (other.zoneId !== pulse.zoneId && Math.abs(a - b) < hands.walkMin * 60 - 16)
            found.push(`two valves at once: ${pulse.id} and ${other.id}`);
    }
  }
  return found;
}

const hoursOf = (from: number, hours: number): Span => ({
  startS: from * HOUR,
  endS: Math.min(24, from + hours) * HOUR,
});
const anyZones = fc.array(
  fc.record({
    flowLh: fc.integer({ min: 500, max: 4000 }),
    litres: fc.integer({ min: 0, max: 9000 }),
    pulses: fc.integer({ min: 1, max: 6 }),
    from: fc.integer({ min: 4, max: 14 }),
    hours: fc.integer({ min: 2, max: 9 }),
    minGapMin: fc.integer({ min: 0, max: 40 }),
    recipe: fc.constantFrom(null, "melon", "lettuce"),
    dose: fc.option(fc.constant({ name: "dose", minutes: 30 }), { freq: 4 }),
    byHand: fc.boolean(),
    dry: fc.option(fc.integer({ min: 5, max: 18 }), { freq: 3 }),
    priority: fc.integer({ min: 1, max: 9 }),
  }),
  { minLength: 1, maxLength: 7 },
);
const anyMain = fc.record({
  pumpLh: fc.integer({ min: 4000, max: 9000 }),
  filterLh: fc.option(fc.integer({ min: 4000, max: 7000 })),
  mixers: fc.integer({ min: 0, max: 2 }),
  rinseMin: fc.integer({ min: 0, max: 15 }),
  reach: fc.integer({ min: 1, max: 3 }),
  walkMin: fc.integer({ min: 0, max: 10 }),
  groupOf: fc.integer({ min: 1, max: 2 }),
  run: fc.boolean(),
});
type Of<A> = A extends fc.Arbitrary<infer T> ? T : never;
function anyDay(zones: Of<typeof anyZones>, main: Of<typeof anyMain>): SiteDayInput {
  const asked = zones.map(({ pulses, from, hours, byHand: _hand, dry: _dry, priority: _priority, ...rest }, at) =>
    zone(at + 1, {
      ...rest,
      window: { startS: from * HOUR, endS: Math.min(24, from + hours) * HOUR },
      wantedS: Array.from({ length: pulses }, (_, pulse) => (from + (hours * (pulse + 0.3)) / pulses) * HOUR),
    }),
  );
  const ids = asked.map(({ id }) => id);
  return day(asked, {
    limits: [
      limit({ maxLh: main.pumpLh, kw: 3 }),
      ...(main.filterLh === null
        ? []
        : [limit({ kind: "filter", name: "Filter", maxLh: main.filterLh, zoneIds: ids.slice(0, 3) })]),
      limit({ kind: "group", name: "North", maxOpen: main.groupOf, zoneIds: ids.slice(1, 4) }),
    ],
    mixers: Array.from({ length: main.mixers }, (_, at) => ({
      ...{ name: `Mixer ${at}`, maxLh: 5000, rinseMin: main.rinseMin, zoneIds: at === 0 ? null : ids.slice(0, 2) },
    })),
    hands: {
      zoneIds: ids.filter((_, at) => zones[at]?.byHand),
      hours: [hoursOf(6, 6), hoursOf(14, 5)],
      ...{ reach: main.reach, walkMin: main.walkMin },
    },
    rules: zones.map(({ dry, priority }, at) => ({
      ...{ zoneId: at + 1, priority, dry: dry === null ? [] : [hoursOf(dry, 3)] },
      wet: dry !== null && dry % 3 === 0 ? [hoursOf(4, 10)] : [],
    })),
    runs: main.run ? [{ ...hoursOf(7, 8), name: "Mist", lh: 600, minutes: 2, times: 6 }] : [],
  });
}

describe("the day of a site", () => {
  it("has every zone at its wanted times where nothing is shared", () => {
    const { pulses, unmet, peakLh } = plan(day([zone(1), zone(2, { wantedS: [9 * HOUR] })]));
    expect(pulses.map(({ id, startS }) => [id, startS / HOUR])).toEqual([
      ["1-1", 8],
      ["2-1", 9],
      ["1-2", 12],
    ]);
    expect(unmet).toEqual([]);
    expect(peakLh).toBe(2000);
  });

  it("never clashes, and gives what is asked or names what is not, whatever is shared", () => {
    fc.assert(
      fc.property(anyZones, anyMain, (zones, main) => {
        const input = anyDay(zones, main);
        const { pulses, unmet } = plan(input, 6);
        expect(clashesOf(input, pulses)).toEqual([]);
        for (const { id, litres, dose, flowLh } of input.zones) {
          const missing = unmet.filter(({ zoneId }) => zoneId === id).reduce((so, one) => so + one.litres, 0);
          // A dose needs its minutes, even where that is more than the day's water.
          const least = dose && litres > 0 ? (flowLh * dose.minutes) / 60 : 0;
          expect(Math.abs(sum(of(pulses, id)) + missing - Math.max(litres, least))).toBeLessThanOrEqual(
            0.011 * Math.max(litres, least),
          );
        }
      }),
      { numRuns: 120 },
    );
  });

  it("made anew later in the day never moves what has begun or is locked, keeps ids, and gives what is left", () => {
    fc.assert(
      fc.property(
        anyZones,
        anyMain,
        fc.integer({ min: 5, max: 20 }),
        evenly(0.8, 1.3),
        (zones, main, hour, brighter) => {
          const before = anyDay(zones, main);
          const first = plan(before, 3);
          const locked = first.pulses.map((pulse, at) => (at % 5 === 4 ? { ...pulse, locked: true } : pulse));
          const later = {
            ...before,
            zones: before.zones.map((one) => ({ ...one, litres: one.litres * brighter })),
            nowS: hour * HOUR,
            kept: locked,
          };
          const second = plan(later, 3);
          expect(clashesOf(later, second.pulses)).toEqual([]);
          for (const pulse of locked.filter(({ startS, locked: is }) => startS < later.nowS || is))
            expect(second.pulses.find(({ id }) => id === pulse.id)).toEqual(pulse);
          expect(new Set(second.pulses.map(({ id }) => id)).size).toBe(second.pulses.length);
          for (const { id, litres, dose } of later.zones) {
            if (dose) continue;
            const stands = sum(of(locked, id).filter((pulse) => pulse.startS < later.nowS + 60 || pulse.locked));
            const missing = second.unmet.filter(({ zoneId }) => zoneId === id).reduce((so, one) => so + one.litres, 0);
            const wanted = Math.max(stands, litres);
            expect(Math.abs(sum(of(second.pulses, id)) + missing - wanted)).toBeLessThanOrEqual(
              0.011 * Math.max(1, litres),
            );
          }
        },
      ),
      { numRuns: 80 },
    );
  });

  it("leaves a pulse that begins within the minute where it is, unless its valve is shut", () => {
    const first = plan(day([zone(1)]));
    const soon = { nowS: 12 * HOUR - 30, kept: first.pulses };
    expect(plan(day([zone(1, { litres: 2600 })], {}, soon)).pulses[1]).toEqual(first.pulses[1]);
    const shut = plan(day([zone(1)], {}, { ...soon, excluded: [1] })).pulses;
    expect(shut).toEqual(first.pulses.slice(0, 1));
  });

  it("stays as it was where nothing has changed", () => {
    const input = anyDayOf(6);
    const first = plan(input);
    expect(plan({ ...input, kept: first.pulses }).pulses).toEqual(first.pulses);
  });

  it("gives a pulse that a lock drove out its room by moving whoever is in the way, and nobody else, at once", () => {
    const window = { startS: 6 * HOUR, endS: 10.5 * HOUR };
    const pulse = (id: number, atH: number, litres = 2000): SitePulse => ({
      ...{ id: `${id}-1`, zoneId: id, name: `Zone ${id}`, mixer: null, recipe: null, dose: null },
      ...{ startS: atH * HOUR, lengthS: (litres / 2000) * HOUR, litres, lh: 2000, locked: id === 1 },
    });
    // Zone 1 is dropped into the two hours of zone 3, which fit only where zone 2 stood.
    const zones = [
      zone(1, { wantedS: [6 * HOUR], window }),
      zone(2, { wantedS: [7 * HOUR], window }),
      zone(3, { wantedS: [8 * HOUR], window, litres: 4000 }),
      zone(4, { wantedS: [14 * HOUR] }),
    ];
    const kept = [pulse(1, 8), pulse(2, 7), pulse(3, 8, 4000), pulse(4, 13)];
    const answer = plan(day(zones, { limits: [limit({ maxLh: 2000 })] }, { kept }), 0);
    expect(answer.unmet).toEqual([]);
    expect(answer.pulses.map(({ zoneId, startS }) => [zoneId, startS / HOUR])).toEqual([
      [3, 6],
      [1, 8],
      [2, expect.closeTo(9, 1)],
      [4, 13],
    ]);
  });

  it("lets the others give way to a pulse that somebody locked, and leaves those that need not", () => {
    const main = { limits: [limit({ maxLh: 4500 })] };
    const zones = [1, 2, 3].map((id) => zone(id, { wantedS: [(6 + 2 * id) * HOUR], litres: 2000 }));
    const first = plan(day(zones, main));
    // Zone 3 is locked onto zone 1 and 2's hour: two of 2,000 L/h may run beside each other.
    const kept = first.pulses.map((pulse) =>
      pulse.zoneId === 3 ? { ...pulse, startS: 8 * HOUR, locked: true } : pulse,
    );
    const second = plan(day(zones, main, { kept }));
    expect(second.pulses.map(({ zoneId, startS }) => [zoneId, startS / HOUR])).toEqual([
      [1, 8],
      [3, 8],
      [2, 10],
    ]);
    const narrow = { limits: [limit({ maxLh: 2500 })] };
    const moved = plan(day(zones, narrow, { kept }));
    expect(of(moved.pulses, 3)[0]?.startS).toBe(8 * HOUR);
    expect(Math.abs((of(moved.pulses, 1)[0]?.startS ?? 0) - 8 * HOUR)).toBeGreaterThanOrEqual(HOUR);
    expect(of(moved.pulses, 2)[0]?.startS).toBe(10 * HOUR);
  });

  it("gives an excluded zone nothing more, and the others its room", () => {
    const main = { limits: [limit({ maxLh: 2000 })] };
    const long = { litres: 12_000, wantedS: [8 * HOUR] };
    const both = [zone(1, long), zone(2, long), zone(3, long)];
    expect(plan(day(both, main)).unmet).toHaveLength(1);
    const { pulses, unmet } = plan(day(both, main, { excluded: [2] }));
    expect([of(pulses, 2), unmet]).toEqual([[], []]);
  });

  it("has one person with eight valves of 2,000 L/h at a pump of 4,500 L/h open two at a time, and walk between them", () => {
    const zones = Array.from({ length: 8 }, (_, at) => zone(at + 1, { wantedS: [8 * HOUR], litres: 1500 }));
    const hands = { zoneIds: zones.map(({ id }) => id), hours: [hoursOf(7, 5)], reach: 2, walkMin: 3 };
    const input = day(zones, { limits: [limit({ maxLh: 4500 })], hands });
    const { pulses, unmet } = plan(input);
    expect(clashesOf(input, pulses)).toEqual([]);
    expect([pulses.length, unmet.length]).toEqual([8, 0]);
    const actions = pulses.flatMap(({ startS, lengthS }) => [startS, startS + lengthS]).sort((a, b) => a - b);
    // Starts stand on a grid of 15 s.
    actions.slice(1).forEach((at, index) => expect(at - (actions[index] ?? 0)).toBeGreaterThanOrEqual(3 * 60 - 16));
  });

  it("puts a dose into a pulse that is long enough for it, once, and the rest of the water about it", () => {
    const dosed = zone(1, {
      dose: { name: "week 4", minutes: 45 },
      litres: 3000,
      wantedS: [8, 11, 14].map((h) => h * HOUR),
    });
    const first = plan(day([dosed]));
    const dose = first.pulses.filter((pulse) => pulse.dose !== null);
    expect(dose).toMatchObject([{ id: "1 dose-1", lengthS: 45 * 60, recipe: "water with week 4" }]);
    expect(sum(first.pulses)).toBeCloseTo(3000, 6);
    // It has begun: made anew there is no second one.
    const later = plan(day([dosed], {}, { kept: first.pulses, nowS: 9 * HOUR }));
    expect(later.pulses.filter((pulse) => pulse.dose !== null)).toEqual(dose);
    expect(sum(later.pulses)).toBeCloseTo(3000, 6);
  });

  it("says what its pumps draw, and what that costs by the hour's price", () => {
    const main = {
      limits: [limit({ maxLh: 9000, kw: 2 })],
      tariff: [
        { ...span("00:00", "08:30"), pricePerKwh: 0.1 },
        { ...span("08:30", "24:00"), pricePerKwh: 0.3 },
      ],
    };
    const { energy, pulses } = plan(day([zone(1, { wantedS: [8 * HOUR], litres: 2000 })], main));
    // An hour at 2 kW: it is put where it is cheap.
    expect(pulses[0]?.startS).toBeLessThanOrEqual(7.5 * HOUR);
    expect(energy).toEqual([
      { name: "Pump", kwh: expect.closeTo(2, 9) as number, cost: expect.closeTo(0.2, 9) as number },
    ]);
    const flat = plan(day([zone(1)], { limits: main.limits }));
    expect(flat.energy[0]).toMatchObject({ cost: null });
  });

  it("counts water that was given beside any plan, and gives the rest at the times that are left", () => {
    const given = [{ startS: 7.9 * HOUR, litres: 900 }];
    const { pulses } = plan(day([zone(1, { given })], {}, { nowS: 9 * HOUR }));
    expect(pulses).toMatchObject([{ startS: 12 * HOUR, litres: 1100 }]);
    // A meter told 3 % less than was asked for.
    const enough = [{ startS: 7 * HOUR, litres: 1940 }];
    expect(plan(day([zone(1, { given: enough })], {}, { nowS: 9 * HOUR })).pulses).toEqual([]);
  });

  it("plans nothing more once the day is over", () => {
    expect(plan(day([zone(1)], {}, { nowS: 25 * HOUR }))).toMatchObject({ pulses: [], unmet: [] });
  });

  it("refuses a lock that cannot be, and names what would: a time that is over, outside the window, in dry time, without hands", () => {
    const main = {
      limits: [limit({ maxLh: 4500 })],
      rules: [{ zoneId: 1, priority: 5, dry: [hoursOf(12, 2)], wet: [] }],
      hands: { zoneIds: [2], hours: [hoursOf(7, 3)], reach: 1, walkMin: 0 },
    };
    const zones = [zone(1), zone(2, { wantedS: [8 * HOUR] })];
    const first = plan(day(zones, main));
    const refused = (id: string, hour: number, nowS = -1): string => {
      try {
        checkLock(day(zones, main, { kept: first.pulses, nowS }), id, hour * HOUR);
        return "taken";
      } catch (error) {
        return (error as Error).message;
      }
    };
    expect(refused("1-2", 10)).toBe("taken");
    expect(refused("1-2", 9, 9.5 * HOUR)).toMatch(/09:00 is over.*09:30/);
    expect(refused("1-1", 10, 9.5 * HOUR)).toMatch(/has begun/);
    expect(refused("1-2", 19)).toMatch(/19:00 to 19:30 lies outside .*06:00 to 12:00, 14:00 to 18:00/);
    expect(refused("1-2", 12.5)).toMatch(/outside/);
    expect(refused("2-1", 10)).toMatch(/outside .*07:00 to 10:00/);
    expect(refused("9-9", 10)).toMatch(/no pulse 9-9/);
  });

  it("refuses a lock that clashes with another one, and says who is in the way", () => {
    const main = {
      limits: [limit({ maxLh: 4500 })],
      mixers: [{ name: "Tank", maxLh: 9000, rinseMin: 10, zoneIds: null }],
    };
    const zones = [1, 2, 3].map((id) => zone(id, { wantedS: [(6 + 2 * id) * HOUR] }));
    const kept = plan(day(zones, main)).pulses.map((pulse) => ({
      ...pulse,
      locked: pulse.zoneId !== 3,
      startS: 8 * HOUR,
    }));
    const third = (hour: number) => () => {
      checkLock(day(zones, main, { kept }), "3-1", hour * HOUR);
    };
    expect(third(8.5)).toThrow(/Zone 1, Zone 2 and Zone 3 ask for 6000 L\/h at 08:30; Pump gives 4500 L\/h/);
    expect(third(9)).not.toThrow();
    const fed = zones.map((one, at) => ({ ...one, recipe: at === 2 ? "melon" : "lettuce" }));
    const mixed = plan(day(fed, main)).pulses.map((pulse) => ({ ...pulse, locked: pulse.zoneId === 1 }));
    const end = (mixed.find(({ zoneId }) => zoneId === 1)?.startS ?? 0) + HOUR;
    expect(() => {
      checkLock(day(fed, main, { kept: mixed }), "3-1", end + 60);
    }).toThrow(/Tank gives lettuce to Zone 1.*10 min/);
  });

  it("lets zones run beside each other whose feeds pass no mixer of the site", () => {
    const zones = ["melon", "lettuce", null].map((recipe, at) => zone(at + 1, { recipe }));
    const { pulses } = plan(day(zones));
    expect(pulses.map(({ startS }) => startS)).toEqual([8, 8, 8, 12, 12, 12].map((hour) => hour * HOUR));
    expect(pulses.map(({ recipe }) => recipe).slice(0, 3)).toEqual(["melon", "lettuce", null]);
    // What stands keeps its time, too, and is in nobody's way.
    const kept = pulses.map((pulse) => ({ ...pulse, locked: true }));
    const again = plan(day([...zones, zone(4, { recipe: "basil" })], {}, { kept }));
    expect(of(again.pulses, 4).map(({ startS }) => startS)).toEqual([8 * HOUR, 12 * HOUR]);
  });

  it("says how dry a zone gets that has to wait: what is gone, and what it does not get", () => {
    const roots = { goneL: 3000, availableL: 10_000 };
    const { unmet } = plan(day([zone(1, { roots })], {}, { nowS: 19 * HOUR }));
    expect(unmet).toMatchObject([{ litres: 2000, gonePct: 50 }]);
    expect(plan(day([zone(1)], {}, { nowS: 19 * HOUR })).unmet).toMatchObject([{ gonePct: null }]);
  });

  it("names a zone whose window is over instead of dropping it", () => {
    const { unmet } = plan(day([zone(1)], {}, { nowS: 19 * HOUR }));
    expect(unmet).toMatchObject([
      { name: "Zone 1", litres: 2000, reason: expect.stringContaining("No time is left") as string },
    ]);
  });
});

function anyDayOf(count: number): SiteDayInput {
  const zones = Array.from({ length: count }, (_, at) =>
    zone(at + 1, { litres: 1500 + 400 * at, wantedS: [8, 11, 14].map((hour) => hour * HOUR) }),
  );
  return day(zones, { limits: [limit({ maxLh: 5000 })] });
}
