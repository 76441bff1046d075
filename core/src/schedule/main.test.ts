import { describe, expect, it } from "vitest";
import { spanOf, type Span } from "../time/clock.ts";
import { DomainError } from "../working/domain-error.ts";
import { checkMain, type Main } from "./main.ts";

const span = (start: string, end: string): Span => spanOf({ start, end }, "span");
const NOTHING: Main = { limits: [], mixers: [], hands: null, tariff: [], rules: [], runs: [] };
const zones = [
  { id: 1, name: "Bags", flowLh: 3000 },
  { id: 2, name: "Tunnel", flowLh: 2000 },
];
const pump = { kind: "pump", name: "Pump", maxLh: 5000, maxOpen: null, kw: null, zoneIds: null } as const;
const faults = (more: Partial<Main>): (readonly [string, string])[] => {
  try {
    checkMain({ ...NOTHING, ...more }, zones);
    return [];
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return error.faults.map(({ path, message }) => [path, message] as const);
  }
};

describe("what all zones share", () => {
  it("is taken as it is described: a pump, a mixer, a tariff of the whole day, hands by the hour", () => {
    expect(
      faults({
        limits: [pump, { ...pump, kind: "group", name: "North", maxLh: null, maxOpen: 1, zoneIds: [1, 2] }],
        mixers: [{ name: "Tank", maxLh: 4000, rinseMin: 5, zoneIds: null }],
        tariff: [
          { ...span("00:00", "07:00"), pricePerKwh: 0.1 },
          { ...span("07:00", "24:00"), pricePerKwh: 0.3 },
        ],
        hands: { zoneIds: [2], hours: [span("07:00", "12:00")], reach: 1, walkMin: 2 },
        rules: [{ zoneId: 1, priority: 1, dry: [span("20:00", "24:00")], wet: [] }],
        runs: [{ name: "Mist", ...span("08:00", "18:00"), lh: 300, minutes: 1, times: 30 }],
      }),
    ).toEqual([]);
  });

  it.each([
    [
      "a pump that cannot feed the smallest zone",
      { limits: [{ ...pump, maxLh: 1500 }] },
      "limits.0.maxLh",
      /1500 L\/h.*Tunnel asks for 2000 L\/h. Give at least 2000/,
    ],
    ["a pump of no flow", { limits: [{ ...pump, maxLh: null }] }, "limits.0.maxLh", /how much Pump gives/],
    ["two of one name", { limits: [pump, pump] }, "limits.1.name", /twice/],
    [
      "a group of nobody",
      { limits: [{ ...pump, kind: "group", maxOpen: 1 }] },
      "limits.0.zoneIds",
      /which zones share/,
    ],
    [
      "a mixer that nobody uses",
      { mixers: [{ name: "Old", maxLh: 900, rinseMin: 0, zoneIds: [] }] },
      "mixers.0.zoneIds",
      /Nobody uses Old/,
    ],
    [
      "a tariff with a hole",
      { tariff: [{ ...span("06:00", "24:00"), pricePerKwh: 1 }] },
      "tariff",
      /nothing of 00:00 to 06:00/,
    ],
    [
      "a tariff without its evening",
      { tariff: [{ ...span("00:00", "21:30"), pricePerKwh: 1 }] },
      "tariff",
      /21:30 to 24:00/,
    ],
    [
      "hands without hours",
      { hands: { zoneIds: [1], hours: [], reach: 1, walkMin: 0 } },
      "hands.hours",
      /from when to when/,
    ],
    [
      "a zone that is not there",
      { rules: [{ zoneId: 9, priority: 1, dry: [], wet: [] }] },
      "rules.0.zoneId.0",
      /no zone 9/,
    ],
    [
      "dry time the wrong way round",
      { rules: [{ zoneId: 1, priority: 1, dry: [span("18:00", "06:00")], wet: [] }] },
      "rules.0.dry.0.end",
      /ends at 06:00, not after/,
    ],
    [
      "runs that do not fit",
      { runs: [{ name: "Mist", ...span("08:00", "09:00"), lh: 300, minutes: 10, times: 7 }] },
      "runs.0.end",
      /7 times 10 min of Mist do not fit/,
    ],
  ] as const)("is refused with %s", (_what, more, path, words) => {
    expect(faults(more as Partial<Main>)).toEqual([[path, expect.stringMatching(words)]]);
  });
});
