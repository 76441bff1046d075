import { describe, expect, it } from "vitest";
import { addDays } from "../time/local-time.ts";
import { grownByDays } from "./grown.ts";
import { cropById } from "./library/library.ts";
import { steadilyOff } from "./stage-fit.ts";

const lettuce = cropById("lettuce-butterhead");
/** Leaf growth was seen so many days after planting; the library says 10 days of 12 °C·d. */
const seenAfter = (plantedOn: string, days: number) =>
  grownByDays(lettuce, plantedOn, [{ stageId: "leaf", on: addDays(plantedOn, days) }]);
const spring = ["2026-02-01", "2026-03-20", "2026-05-01"];

describe("a driver that is steadily wrong here", () => {
  it("is offered the mean of what was counted, where every planting says the same", () => {
    const plantings = [13, 12, 14].map((days, at) => seenAfter(spring[at] ?? "", days));
    expect(steadilyOff(plantings)).toEqual([
      { stageId: "establishment", of: 120, unit: "°C·d", counted: [156, 144, 168], mean: 156 },
    ]);
    const sooner = [8, 7, 9].map((days, at) => seenAfter(spring[at] ?? "", days));
    expect(steadilyOff(sooner)).toMatchObject([{ mean: 96 }]);
  });

  it("is left as it is by two plantings, by ones that disagree, and by ones that are near", () => {
    const of = (days: number[]) => days.map((count, at) => seenAfter(spring[at] ?? "", count));
    expect(steadilyOff(of([13, 13]))).toEqual([]);
    expect(steadilyOff(of([13, 8, 13]))).toEqual([]);
    expect(steadilyOff(of([10, 10, 10]))).toEqual([]);
  });

  it("counts no stage of which only the end was seen: its beginning may be wrong as well", () => {
    const plantings = spring.map((on) => grownByDays(lettuce, on, [{ stageId: "head", on: addDays(on, 40) }]));
    expect(steadilyOff(plantings)).toEqual([]);
  });
});
