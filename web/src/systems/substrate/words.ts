import { heldShare } from "../pots/held.ts";
import { DRIP, STEP } from "../reading-field.ts";
import type { SystemWords } from "../system-words.ts";

export const substrateWords: SystemWords = {
  name: "drippers",
  readings: [
    { key: "drainPct", digits: 0, label: "Drain share", unit: "%", everydayStep: STEP.share },
    { key: "drainEcMsCm", digits: 2, label: "Drain EC", unit: "mS/cm", everydayStep: STEP.ec },
    { key: "drainPh", digits: 1, label: "Drain pH", everydayStep: STEP.ph },
    {
      key: "feedEcMsCm",
      digits: 2,
      label: "Feed EC",
      unit: "mS/cm",
      extra: "as last read; change it if it differs",
      everydayStep: STEP.ec,
    },
    ...DRIP,
  ],
  state: heldShare,
};
