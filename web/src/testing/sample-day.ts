import type { DayPulse, SiteDay } from "@sprunel/contract/plan";

/** A pulse of the made-up site on 16 June, by its clock times in UTC. */
export function dayPulse(id: string, from: string, to: string, litres: number, more: Partial<DayPulse> = {}): DayPulse {
  const [startUtc, endUtc] = [`2026-06-16T${from}:00.000Z`, `2026-06-16T${to}:00.000Z`];
  const zoneId = Number(id.split("-")[0]);
  return {
    ...{ id, zoneId, name: zoneId === 1 ? "Melon bags" : "Low field", mixer: null, recipe: null, dose: null },
    ...{ startUtc, endUtc, litres, lh: (litres * 3_600_000) / (Date.parse(endUtc) - Date.parse(startUtc)) },
    ...{ locked: false, byHand: false, state: "ahead", given: null },
    ...more,
  };
}

/** Two zones at one pump; it is ten past eight there. */
export function siteDay(more: Partial<SiteDay> = {}): SiteDay {
  const windows = [{ startUtc: "2026-06-16T05:00:00.000Z", endUtc: "2026-06-16T18:00:00.000Z" }];
  const zone = { windows, excluded: false, byHand: false };
  return {
    ...{ id: 4, version: 3, date: "2026-06-16", now: "2026-06-16T06:10:00.000Z", improving: false },
    pulses: [
      dayPulse("2-1", "05:00", "05:20", 900, { state: "due" }),
      dayPulse("1-1", "05:30", "05:40", 400, { state: "due", recipe: "Netted melon, fill" }),
      dayPulse("1-2", "06:30", "07:30", 4000, { recipe: "Netted melon, fill" }),
      dayPulse("2-2", "08:00", "09:00", 3000),
    ],
    ...{ beside: [], unmet: [], gapPct: 0, peakLh: 4000, energy: [], energyGiven: [] },
    zones: [
      { ...zone, zoneId: 1, name: "Melon bags", litres: 4400 },
      { ...zone, zoneId: 2, name: "Low field", litres: 3900 },
    ],
    limits: [{ kind: "pump", name: "Pump", maxLh: 5000, zoneIds: null }],
    ...{ dear: [], change: null, offered: [] },
    ...more,
  };
}
