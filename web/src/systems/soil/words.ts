import { DRIP, STEP, type ReadingField } from "../reading-field.ts";
import type { SystemWords } from "../system-words.ts";

const readings: readonly ReadingField[] = [
  {
    key: "tensionKpa",
    digits: 0,
    label: "Tension",
    unit: "kPa",
    extra: "at the tensiometer among the roots",
    everydayStep: STEP.tension,
  },
  ...DRIP,
];

/** Beds that drip lines water, on the ground or in it: short of water, and watered from so much on. */
export const soilWords: Omit<SystemWords, "name"> = {
  inSoil: true,
  readings,
  state({ depletionMm, triggerMm }, show) {
    const { text, unit } = show("waterDepth", Math.abs(depletionMm));
    const trigger = show("waterDepth", triggerMm);
    return {
      key: { text, unit: depletionMm < 0 ? `${unit} over full` : `${unit} short` },
      sub: `watered from ${trigger.text} ${trigger.unit}`,
    };
  },
};
