import { describe, expect, it } from "vitest";
import { chargeBalance } from "../chemistry/ions.ts";
import { CROPS } from "../crop/library.ts";
import { stageTarget } from "./targets.ts";

const targets = CROPS.flatMap((crop) =>
  crop.stages.map((stage) => ({ crop: crop.id, stage: stage.id, target: stageTarget(crop.id, stage.id) })),
);

describe("the library of targets", () => {
  it.each(targets)("has one for $crop at $stage, with its source, that balances in charge", ({ target }) => {
    expect(target?.source).not.toBe("");
    expect(Math.abs(chargeBalance(target?.ions ?? { K: 1 }).errorPct)).toBeLessThan(2);
  });

  it("has none for what it does not know", () => {
    expect(stageTarget("triffid", "leaf")).toBeNull();
  });
});
