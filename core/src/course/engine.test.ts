import { describe, expect, it } from "vitest";
import type { Crop } from "../crop/crop.ts";
import { cropById } from "../crop/library/library.ts";
import { engineOf } from "./engine.ts";

const melon = cropById("melon-netted");
const rice = cropById("rice");

describe("what a kept root zone was worked out with", () => {
  it("is another thing once a figure of its crop is, down to a stage's", () => {
    const changes: Partial<Crop>[] = [
      { kcStart: melon.kcStart + 0.01 },
      // What it is fed brings salt and nitrogen.
      { stages: melon.stages.map((stage) => ({ ...stage, feed: "another" })) },
      { depletionFraction: { ...melon.depletionFraction, value: melon.depletionFraction.value + 0.01 } },
      { removal: { ...melon.removal, nKgT: melon.removal.nKgT + 0.1 } },
      { stages: melon.stages.map((stage, at) => (at === 1 ? { ...stage, drainTargetPct: 41 } : stage)) },
    ];
    for (const change of changes) expect(engineOf([{ ...melon, ...change }])).not.toBe(engineOf([melon]));
  });

  it("is the same whatever the card says: names, bands of air, practices, sources", () => {
    const told: Crop = {
      ...melon,
      name: "Another name",
      bands: { ...melon.bands, mostRhPct: 1 },
      practices: [],
      depletionFraction: { ...melon.depletionFraction, source: "another book" },
      stages: melon.stages.map((stage) => ({ ...stage, name: "x" })),
    };
    expect(engineOf([told])).toBe(engineOf([melon]));
  });

  it("is of the crops of the zone alone, in whatever order and however often they stand there", () => {
    expect(engineOf([melon, rice, melon])).toBe(engineOf([rice, melon]));
    expect(engineOf([melon, rice])).not.toBe(engineOf([melon]));
  });
});
