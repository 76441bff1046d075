import { describe, expect, it } from "vitest";
import { chargeBalance } from "../../chemistry/ions.ts";
import { CROPS } from "../../crop/library/library.ts";
import { PUBLISHED_TARGETS } from "./published-targets.ts";
import { checkTarget, stageTarget } from "./targets.ts";

const targets = CROPS.flatMap((crop) =>
  crop.stages.map((stage) => ({ crop: crop.id, stage: stage.id, target: stageTarget(stage) })),
);

describe("the library of targets", () => {
  it.each(targets)("has one for $crop at $stage, with its source, that balances in charge", ({ target }) => {
    expect(target?.source).not.toBe("");
    expect(Math.abs(chargeBalance(target?.ions ?? { K: 1 }).errorPct)).toBeLessThan(2);
  });

  it("has none for what it does not know", () => {
    expect([stageTarget({}), stageTarget({ feed: "triffid" })]).toEqual([null, null]);
  });
});

describe("published solutions", () => {
  it.each(PUBLISHED_TARGETS.map((target) => [target.id, target] as const))(
    "%s balances in charge, names its source, and conducts within 8 %% of what is stated",
    (_id, target) => {
      const check = checkTarget(target);
      expect(target.source).not.toBe("");
      expect(Math.abs(check.charge.errorPct)).toBeLessThan(0.5);
      expect(Math.abs(check.ecOffPct ?? 0)).toBeLessThan(8);
    },
  );

  it("has Steiner's 20 meq/L of each sign, and no stated EC to hold it against", () => {
    const steiner = PUBLISHED_TARGETS.find(({ id }) => id === "steiner");
    expect(steiner && checkTarget(steiner)).toMatchObject({
      charge: { cationsMeqL: 20, anionsMeqL: 20 },
      ecOffPct: null,
    });
  });
});
