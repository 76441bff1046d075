import { describe, expect, it } from "vitest";
import { judgeDelivery, judgeDepletion, judgeDosing, judgeDrain } from "./judge.ts";

describe("judging a zone", () => {
  it("names little drain of high EC as one cause, and salt only when the share is right", () => {
    expect(judgeDrain(12, 28, 4.3, 2.3)).toMatchObject({ cause: "drain-low", mark: "act" });
    expect(judgeDrain(27, 28, 4.3, 2.3)).toMatchObject({ cause: "salt", mark: "act" });
    expect(judgeDrain(34, 28, 3, 2.3)).toMatchObject({ cause: "drain-high", mark: "watch" });
    expect(judgeDrain(30, 28, 3, 2.3)).toBeNull();
  });

  it("lets two pens differ, and names a doser that gives less than is mixed", () => {
    expect(judgeDosing(2.24, 2.3)).toBeNull();
    expect(judgeDosing(2.1, 2.3)).toMatchObject({ cause: "dosing", mark: "watch" });
    expect(judgeDosing(2.7, 2.3)?.mark).toBe("act");
    expect(judgeDosing(0.4, 0)).toBeNull();
  });

  it("is silent about a root zone at its trigger and loud about one far beyond", () => {
    expect(judgeDepletion(20, 20)).toBeNull();
    expect(judgeDepletion(24, 20)?.mark).toBe("watch");
    expect(judgeDepletion(29, 20)?.mark).toBe("act");
  });

  it("compares meter and plan, and asks for nothing on a day without water", () => {
    expect(judgeDelivery(950, 1000)).toBeNull();
    expect(judgeDelivery(820, 1000)).toMatchObject({ cause: "delivery", mark: "act" });
    expect(judgeDelivery(0, 0)).toBeNull();
  });
});
