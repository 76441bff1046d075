import type { Crop } from "../crop/crop.ts";

/** Counted up whenever a root zone would stand otherwise after the same hours. */
const ENGINE_VERSION = 11;

/** Parts of a crop that no root zone's course reads: its card, what is done to it by hand, and where figures come from. */
const NOT_READ: ReadonlySet<string> = new Set(["name", "bands", "practices", "sources", "source", "assumed"]);

const known = new WeakMap<Crop, string>();

/**
 * What a kept state was worked out with: the engine's version and the figures that it reads of the zone's own crops. A state of
 * another name is worked out anew; what another crop's figures are, or what its card says, is nothing to it.
 */
export function engineOf(crops: readonly Crop[]): string {
  return `${ENGINE_VERSION}.${[...new Set(crops.map(figuresOf))].sort().join("-")}`;
}

function figuresOf(crop: Crop): string {
  const read = (key: string, value: unknown): unknown => (NOT_READ.has(key) ? undefined : value);
  const found = known.get(crop) ?? fingerprint(JSON.stringify(crop, read));
  known.set(crop, found);
  return found;
}

/** FNV-1a, 32 bits: enough to tell that a figure has changed. */
function fingerprint(text: string): string {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return (hash >>> 0).toString(16);
}
