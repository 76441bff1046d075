import type { ZoneFeed } from "@sprunel/contract/feed";
import type { BoardZone } from "@sprunel/contract/today";
import { relativeYieldPct, waterEcMsCm } from "@sprunel/core/water";
import { useSetUp } from "../place/use-set-up.ts";
import { SYSTEM_WORDS } from "../systems/words.ts";
import { Explained } from "../working/explained.tsx";

/** What this zone's crop yields in soil under the zone's own water, against none of its salt. */
export function YieldLine({ zone, water }: { zone: BoardZone; water: NonNullable<ZoneFeed["water"]> }) {
  const crop = useSetUp().data?.crops.find((candidate) => candidate.name === zone.crop?.name);
  if (!crop) return null;
  const { pct, step } = relativeYieldPct(waterEcMsCm(water), crop.salt.thresholdMsCm, crop.salt.zeroMsCm);
  return (
    <p>
      {crop.name} in soil under this zone's water would yield{" "}
      <Explained title="Salt and yield" steps={[{ ...step, source: `${step.source}; ${crop.salt.source}` }]}>
        {pct.toFixed(0)} %
      </Explained>{" "}
      of what it yields without salt
      {SYSTEM_WORDS[zone.system].inSoil ? "" : "; it does not stand in soil, so its feed counts instead"}.
    </p>
  );
}
