import type { Stage } from "../../crop/crop.ts";
import { PUBLISHED_TARGETS, STEINER, type PublishedTarget } from "./published-targets.ts";

/** What a stage should drink, as published or as assumed from it; null where nobody has said what. */
export function stageTarget({ feed }: Pick<Stage, "feed">): PublishedTarget | null {
  return PUBLISHED_TARGETS.find(({ id }) => id === feed) ?? null;
}

/** For a crop that the library knows nothing of: Steiner's (1984) general solution at half strength, without trace elements. Strength assumed. */
export const GENERAL_TARGET: Pick<PublishedTarget, "ions" | "ph"> = {
  ions: Object.fromEntries(Object.entries(STEINER).map(([ion, amount]) => [ion, amount / 2])),
  ph: 5.8,
};
