import { CROPS } from "../crop/library/library.ts";

/** Counted up whenever a root zone would stand otherwise after the same hours. */
const ENGINE_VERSION = 10;

/**
 * What a kept state was worked out with: the engine's version and the crops' figures. A state of another name is worked out anew.
 */
export const ENGINE = `${ENGINE_VERSION}.${fingerprint(JSON.stringify(CROPS))}`;

/** FNV-1a, 32 bits: enough to tell that a figure has changed. */
function fingerprint(text: string): string {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return (hash >>> 0).toString(16);
}
