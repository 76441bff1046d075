import { expect, it } from "vitest";
import { readyAfter, waitsFor, type SoilStep } from "./soil-step.ts";

const lime: SoilStep = { kind: "lime", on: "2026-03-01", waitDays: 90 };
const manure: SoilStep = { kind: "manure", on: "2026-05-15", waitDays: 30 };

it("a planting waits for the step that is over last, and for none once all are", () => {
  expect(readyAfter(lime)).toBe("2026-05-30");
  expect(waitsFor([lime, manure], "2026-05-20")).toBe(manure);
  expect(waitsFor([lime], "2026-05-29")).toBe(lime);
  expect(waitsFor([lime], "2026-05-30")).toBeNull();
});

it("what is done after the planting's day holds up nothing", () => {
  expect(waitsFor([manure], "2026-05-14")).toBeNull();
});
