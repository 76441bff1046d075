import type { Show } from "./system-words.ts";

/** A depth of water with its unit, or a dash where nobody knows it. */
export function levelWords(cm: number | null, show: Show): string {
  if (cm === null) return "–";
  const { text, unit } = show("depth", cm);
  return `${text} ${unit}`;
}
