import { describe, expect, it } from "vitest";
import { dateOrder, readHour, readTime, withHourOf } from "./time-text.ts";

const clock = (text: string, order: "ymd" | "dmy" | "mdy" = "dmy"): string => {
  const reading = readTime(text, order);
  if (reading.status === "instant") return new Date(reading.instantMs).toISOString().slice(0, 16);
  if (reading.status !== "clock") return reading.status;
  const { year, month, day, hour, minute } = reading.time;
  return new Date(Date.UTC(year, month - 1, day, hour, minute)).toISOString().slice(0, reading.hasHour ? 16 : 10);
};

describe("a day and an hour", () => {
  it.each([
    ["2026-03-16 08:05", "2026-03-16T08:05"],
    ["2026-03-16T08:05:33.250", "2026-03-16T08:05"],
    ["16/3/26", "2026-03-16"],
    ["2026/3/4 7:05", "2026-03-04T07:05"],
    ["16.03.2026 24:00", "2026-03-17T00:00"],
    ["16-03-2026 8.05", "2026-03-16T08:05"],
    ["16 Mar 2026", "2026-03-16"],
    ["Mar 16, 2026 8:05 PM", "2026-03-16T20:05"],
    ["16-mrt-26 14h05", "2026-03-16T14:05"],
    ["16. März 2026 8.05 Uhr", "2026-03-16T08:05"],
    ["lundi 16 mars 2026", "2026-03-16"],
    ["16 de marzo de 2026", "2026-03-16"],
    ["16 marzo 2026", "2026-03-16"],
    ["16 de março de 2026", "2026-03-16"],
    ["1er avril 2026", "2026-04-01"],
    ["Mon 16/03/2026 7:30", "2026-03-16T07:30"],
    ["20260316", "2026-03-16"],
    ["20260316T0805", "2026-03-16T08:05"],
    ["46097", "2026-03-16"],
    ["46097.5", "2026-03-16T12:00"],
    ["1773648300", "2026-03-16T08:05"],
    ["1773648300000", "2026-03-16T08:05"],
    ["2026-03-16T08:05:00+02:00", "2026-03-16T06:05"],
    ["2026-03-16 08:05 CET", "2026-03-16T07:05"],
    ["2026-03-16 08:05Z", "2026-03-16T08:05"],
  ])("written %j is %s", (text, moment) => {
    expect(clock(text)).toBe(moment);
  });

  it.each(["31/06/2026", "30.02.2026", "2026-13-01", "16/03/2026 25:00", "2026-03-16 12:60"])(
    "%j exists in no calendar",
    (text) => {
      expect(clock(text)).toBe("impossible");
    },
  );

  it.each(["", "20-Oct", "10-20", "16/03", "5,5", "Tunnel 1", "12345678", "2026-03-16 08:05 XYZT"])(
    "%j is none",
    (text) => {
      expect(clock(text)).toBe("unreadable");
    },
  );

  it("goes by the order that its column has", () => {
    expect([clock("3/4/2026", "dmy"), clock("3/4/2026", "mdy"), clock("26/3/4", "ymd")]).toEqual([
      "2026-04-03",
      "2026-03-04",
      "2026-03-04",
    ]);
  });
});

describe("an hour by itself", () => {
  it.each([
    ["7:30", 450],
    ["7.30", 450],
    ["7h30", 450],
    ["0730", 450],
    ["7 h", 420],
    ["8am", 480],
    ["12 AM", 0],
    ["8:05 p. m.", 1205],
    ["24:00", 1440],
    ["0,3125", 450],
  ])("written %j is so many minutes from midnight", (text, minutes) => {
    expect(readHour(text)).toMatchObject({ minutes });
  });

  it("beside a day of a spreadsheet is one moment with it", () => {
    expect(withHourOf("46097", "0.3125")).toBe("2026-03-16 07:30");
    expect(withHourOf("16.03.2026", "7:30")).toBe("16.03.2026 7:30");
  });
});

describe("how a column writes its dates", () => {
  it.each([
    [["13/04/2026", "05/04/2026"], "dmy"],
    [["04/13/2026", "04/05/2026"], "mdy"],
    [["31/06/2026", "04/13/2026", "04/14/2026"], "mdy"],
    [["26-03-30", "26-03-31"], "ymd"],
    [["2026-03-30"], "ymd"],
    [["3.4.2026"], "dmy"],
    [["3/4/2026 8:00 AM"], "mdy"],
    [["16 Mar 2026"], "ymd"],
    [["3/4/2026"], "ambiguous"],
  ])("%j is %s", (cells, order) => {
    expect(dateOrder(cells)).toBe(order);
  });

  it("of days that are all still to come is the one that the calendar has", () => {
    expect(dateOrder(["17.06.2026", "18.06.2026"], "2026-06-16")).toBe("dmy");
    expect(dateOrder(["06/17/2026", "06/18/2026"], "2026-06-16")).toBe("mdy");
  });
});
