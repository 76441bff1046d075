import { heldShare } from "../pots/held.ts";
import { STEP } from "../reading-field.ts";
import type { SystemWords } from "../system-words.ts";

export const benchWords: SystemWords = {
  name: "flooded benches",
  readings: [
    { key: "tankEcMsCm", digits: 2, label: "EC of the flood water", unit: "mS/cm", everydayStep: STEP.ec },
    { key: "tankPh", digits: 1, label: "pH of the flood water", everydayStep: STEP.ph },
    { key: "drainEcMsCm", digits: 2, label: "EC of what runs back", unit: "mS/cm", everydayStep: STEP.ec },
  ],
  state: heldShare,
};
