import { describe, expect, it } from "vitest";
import { port, Ports } from "./ports.ts";

const DATES = port<() => readonly string[]>("dates");

describe("a port", () => {
  it("gathers what every room answers, in their order", () => {
    const ports = new Ports();
    expect(ports.all(DATES)).toEqual([]);
    ports.answer(DATES, () => ["soil"]);
    ports.answer(DATES, () => ["doses", "picks"]);
    expect(ports.all(DATES).flatMap((dates) => dates())).toEqual(["soil", "doses", "picks"]);
  });

  it("says so where one answer is needed and there is none, or two", () => {
    const ports = new Ports();
    expect(() => ports.one(DATES)).toThrow("dates must be answered by one room, not by 0");
    ports.answer(DATES, () => ["soil"]);
    expect(ports.one(DATES)()).toEqual(["soil"]);
    ports.answer(DATES, () => []);
    expect(() => ports.one(DATES)).toThrow("not by 2");
  });
});
