import { levelWords } from "../level.ts";
import { STEP } from "../reading-field.ts";
import type { SystemWords } from "../system-words.ts";

export const basinWords: SystemWords = {
  name: "flooded basin",
  inSoil: true,
  readings: [
    {
      key: "levelCm",
      digits: 1,
      label: "Water in the tube",
      quantity: "depth",
      extra: "above the soil; below it with a minus",
      everydayStep: STEP.level,
    },
  ],
  state({ levelCm, levelAtTriggerCm }, show) {
    const sub = `flooded again at ${levelWords(levelAtTriggerCm, show)}`;
    if (levelCm === null) return { key: { text: "–", unit: "" }, sub };
    const { text, unit } = show("depth", Math.abs(levelCm));
    return levelCm < 0
      ? { key: { text: `−${text}`, unit: `${unit} in tube` }, sub }
      : { key: { text, unit: `${unit} flooded` }, sub };
  },
};
