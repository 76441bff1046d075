import { showDigits } from "../../units/show.ts";
import { levelWords } from "../level.ts";
import { STEP } from "../reading-field.ts";
import type { SystemWords } from "../system-words.ts";

export const solutionTankWords: SystemWords = {
  name: "float tanks",
  readings: [
    { key: "tankEcMsCm", digits: 2, label: "EC of the solution", unit: "mS/cm", everydayStep: STEP.ec },
    { key: "tankPh", digits: 1, label: "pH of the solution", everydayStep: STEP.ph },
    {
      key: "levelCm",
      digits: 1,
      label: "Level",
      quantity: "depth",
      extra: "depth of the solution",
      everydayStep: STEP.level,
    },
  ],
  state({ levelCm, levelAtTriggerCm, ecMsCm, ph }, show, byWater) {
    const depth = levelCm === null ? { text: "–", unit: "" } : show("depth", levelCm);
    const deep = { text: depth.text, unit: `${depth.unit} deep` };
    const filled = `filled at ${levelWords(levelAtTriggerCm, show)}`;
    if (byWater) return { key: deep, sub: filled };
    return {
      key: ecMsCm === null ? deep : { text: showDigits(ecMsCm), unit: "mS/cm" },
      sub: `${levelWords(levelCm, show)} deep${ph === null ? `, ${filled}` : ` · pH ${ph.toFixed(1)}`}`,
    };
  },
};
