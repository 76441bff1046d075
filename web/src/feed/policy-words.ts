import type { SeasonPolicy } from "@sprunel/core/feed/doses";

/** How the strength of a feed goes by the season, in words. */
export const POLICY_WORDS: Readonly<Record<SeasonPolicy, string>> = {
  "same-strength": "the same strength every day",
  "same-ration": "the same grams every day",
  "stronger-in-low-light": "stronger in low light",
  "stronger-in-high-use": "stronger when much water is used",
};
