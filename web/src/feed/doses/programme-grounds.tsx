import type { DoseProgramme } from "@sprunel/contract/feed";
import { AnalysedList } from "./analysed-list.tsx";

const MANURE: DoseProgramme["organic"][number] = {
  ...{ name: "", tHa: 10, nPct: 0.6, pPct: 0.15, kPct: 0.5, nDecayPct: [30, 15, 5], yearsAgo: 0 },
};
const GRAINS: DoseProgramme["coated"][number] = {
  ...{ name: "", on: "", gPlant: 20, nPct: 15, pPct: 4, kPct: 9, longevityDays: 180, statedAtC: 21 },
};
const NUTRIENTS = [
  { key: "nPct", label: "N", typed: { unit: "% N" } },
  { key: "pPct", label: "P", typed: { nutrient: "P" } },
  { key: "kPct", label: "K", typed: { nutrient: "K" } },
] as const;

/** What was laid in the ground beside the doses: manures, and coated grains that give over months. */
export function ProgrammeGrounds({
  organic,
  coated,
  onChange,
}: Pick<DoseProgramme, "organic" | "coated"> & {
  onChange(change: Partial<Pick<DoseProgramme, "organic" | "coated">>): void;
}) {
  return (
    <>
      <AnalysedList
        legend="manures and composts, by their analysis"
        one="manure"
        items={organic}
        fresh={MANURE}
        fields={[
          { key: "tHa", label: "spread", typed: { quantity: "bulkPerLand" } },
          ...NUTRIENTS,
          { key: "yearsAgo", label: "spread before", typed: { unit: "years" } },
        ]}
        onChange={(items) => onChange({ organic: items })}
      />
      <AnalysedList
        legend="coated grains, by their label"
        one="grain"
        items={coated}
        fresh={GRAINS}
        fields={[
          { key: "gPlant", label: "at a plant", typed: { quantity: "smallMass" } },
          ...NUTRIENTS,
          { key: "longevityDays", label: "lasts", typed: { unit: "days" } },
          { key: "statedAtC", label: "stated at", typed: { quantity: "temperature" } },
        ]}
        onChange={(items) => onChange({ coated: items })}
      />
    </>
  );
}
