import { describe, expect, it } from "vitest";
import { createCache } from "./cache.ts";

function filled() {
  const cache = createCache();
  const litres = cache.ofZones<number>();
  for (const zone of [1, 2])
    for (const date of ["2026-06-01", "2026-06-02", "2026-06-03"]) litres.of(zone).set(date, 1);
  const days = cache.ofDays<string>();
  for (const date of ["2026-06-01", "2026-06-02"]) days.set(date, "sun");
  const dates = (zone: number): string[] => [...litres.of(zone).keys()];
  return { cache, litres, days, dates };
}

describe("what is remembered of zones", () => {
  it("is let go of one zone from the day of a change on, and of no other zone", () => {
    const { cache, dates, days } = filled();
    cache.zoneChanged(1, "2026-06-02");
    expect(dates(1)).toEqual(["2026-06-01"]);
    expect(dates(2)).toHaveLength(3);
    expect(days.size).toBe(2);
  });

  it("is let go whole when a zone itself has changed", () => {
    const { cache, dates } = filled();
    cache.zoneChanged(2);
    expect([dates(1).length, dates(2).length]).toEqual([3, 0]);
  });

  it("is let go of all zones from the day on from which weather came in", () => {
    const { cache, dates, days } = filled();
    cache.weatherChanged("2026-06-02");
    expect([dates(1), dates(2), [...days.keys()]]).toEqual([["2026-06-01"], ["2026-06-01"], ["2026-06-01"]]);
  });

  it("does not take back what was still being worked out of it when it changed", () => {
    const { cache, litres, dates } = filled();
    const atWork = litres.of(1);
    cache.zoneChanged(1, "2026-06-03");
    atWork.set("2026-06-03", 7);
    expect(dates(1)).toEqual(["2026-06-01", "2026-06-02"]);
  });
});
