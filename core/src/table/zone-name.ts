import { distance } from "fastest-levenshtein";

type ZoneMatch =
  | { readonly status: "same"; readonly zone: string }
  | { readonly status: "guessed"; readonly zone: string }
  | { readonly status: "unknown" }
  | { readonly status: "ambiguous" };

/** A slip of the pen changes a letter or two; more is another name. */
const MOST_LETTERS_OFF = 2;

/** Finds the zone that a cell names: spelt in any case, with or without blanks, hyphens and underscores, or a letter or two off. */
export function matchZone(text: string, zones: readonly string[]): ZoneMatch {
  const plain = bare(text);
  if (plain === "") return { status: "unknown" };
  const same = zones.find((zone) => bare(zone) === plain);
  if (same !== undefined) return { status: "same", zone: same };
  const near = zones
    .map((zone) => ({ zone, off: distance(bare(zone), plain) }))
    .filter(({ off }) => off <= MOST_LETTERS_OFF)
    .sort((a, b) => a.off - b.off);
  const [nearest, next] = near;
  if (!nearest) return { status: "unknown" };
  return nearest.off === next?.off ? { status: "ambiguous" } : { status: "guessed", zone: nearest.zone };
}

function bare(name: string): string {
  return name.toLowerCase().replace(/[\s_\-‐–]/g, "");
}
