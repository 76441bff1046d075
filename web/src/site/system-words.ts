import type { ZoneDefinition } from "@sprunel/contract";

const WORDS: Record<ZoneDefinition["system"], string> = {
  substrate: "substrate, drippers",
  "soil-drip": "soil, drip lines",
};

export function systemWords(system: ZoneDefinition["system"]): string {
  return WORDS[system];
}
