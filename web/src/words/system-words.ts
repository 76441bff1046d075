import type { System } from "@sprunel/contract/site";

const SYSTEM_WORDS: Record<System, string> = {
  substrate: "drippers",
  "soil-drip": "soil, drip lines",
  "solution-tank": "float tanks",
  "sub-irrigated-bench": "flooded benches",
  "buried-drip": "buried drip",
  basin: "flooded basin",
};

export function systemWords(system: System): string {
  return SYSTEM_WORDS[system];
}
