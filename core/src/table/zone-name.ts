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
  const known = byBareName(zones);
  const same = known.get(plain);
  if (same !== undefined) return { status: "same", zone: same };
  const near = [...known]
    .map(([name, zone]) => ({ zone, off: distance(name, plain) }))
    .filter(({ off }) => off <= MOST_LETTERS_OFF)
    .sort((a, b) => a.off - b.off);
  const [nearest, next] = near;
  if (!nearest) return { status: "unknown" };
  return nearest.off === next?.off ? { status: "ambiguous" } : { status: "guessed", zone: nearest.zone };
}

const bareNames = new WeakMap<readonly string[], ReadonlyMap<string, string>>();

/** Zones by their bare names, the first of each: a long file asks for the same ones at every row. */
function byBareName(zones: readonly string[]): ReadonlyMap<string, string> {
  const known = bareNames.get(zones) ?? new Map(zones.map((zone) => [bare(zone), zone] as const).reverse());
  bareNames.set(zones, known);
  return known;
}

function bare(name: string): string {
  return name.toLowerCase().replace(/[\s_\-‐–]/g, "");
}
