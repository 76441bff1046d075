import { describe, expect, it } from "vitest";
import { datesIn } from "./dates.tsx";
import { toldIn } from "./told.ts";

const american = (text: string): string => toldIn(text, "us", datesIn("mdy"));

describe("a sentence of the server", () => {
  it.each([
    [
      "Its flow of 5000 L/h is more than the pump gives (4500 L/h).",
      "Its flow of 1 321 gal/h is more than the pump gives (1 189 gal/h).",
    ],
    [
      "The bed's length must be 0.2 to 1000 m; it is 2000 m.",
      "The bed's length must be 0.66 to 3 281 ft; it is 6 562 ft.",
    ],
    ["Give between 1 and 500 L.", "Give between 0.26 and 132 gal."],
    ["Not all fits: 2,961 L stay undone.", "Not all fits: 782 gal stay undone."],
    ["Spread at most 30 kg/ha on 2 ha, 0.5 kg a bed.", "Spread at most 26.8 lb/acre on 4.94 acre, 1.1 lb a bed."],
    ["The air at 20 °C is 2 °C warmer than the night.", "The air at 68 °F is 3.6 °F warmer than the night."],
    ["Frost: -2 °C.", "Frost: 28.4 °F."],
  ])("is told in American units: %s", (metric, us) => {
    expect(american(metric).replaceAll("\u202f", " ")).toBe(us);
  });

  it.each([
    "4.7 mmol/L of bicarbonate at pH 7.4",
    "a VPD of 1.2 kPa, 40 % of the time",
    "2.0 mS/cm and 12 mg/L",
    "zone L 5, at 08:15, 3 min",
    "batch A-12 L",
    "greenway-2026-06-01.json is not read.",
    "log 2026-06-01.csv was not read; nor was 2026-06-01_day.csv",
  ])("keeps what is no amount of a unit that is read otherwise: %s", (text) => {
    expect(american(text)).toBe(text);
  });

  it("writes dates as the site does, whoever reads it", () => {
    expect(american("Pick from 2026-06-21 on.")).toBe("Pick from Jun 21, 2026 on.");
    expect(toldIn("Pick from 2026-06-21 on; 5 L.", "metric", datesIn("dmy"))).toBe("Pick from 21 Jun 2026 on; 5 L.");
  });
});
