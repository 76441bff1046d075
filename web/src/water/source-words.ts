import type { SourceKind } from "@sprunel/contract/water";

export const SOURCE_WORDS: Record<SourceKind, string> = {
  mains: "mains",
  well: "well or borehole",
  roof: "roof water",
  surface: "river, pond or canal",
  reclaimed: "treated wastewater",
  digestate: "digestate",
};
