import type { ZoneFeed } from "@sprunel/contract/feed";
import { molarMassG } from "@sprunel/core/chemistry";
import { USUAL_STARTS } from "@sprunel/core/feed/products";
import { slowRelease } from "@sprunel/core/feed/doses";
import { Outline } from "../../parts/outline.tsx";
import { useState } from "react";
import { useSetUp } from "../../place/use-set-up.ts";
import { Answer } from "../../sums/answer.tsx";
import { complete, SumFields, type SumField } from "../../sums/sum-fields.tsx";
import { trySum } from "../../sums/try-sum.ts";
import { targetOf } from "../use-feed.ts";

type Key =
  | "gL"
  | "nPct"
  | "longevityDays"
  | "statedAtC"
  | "temperatureC"
  | "pastC"
  | "substrateLPlant"
  | "ageDays"
  | "needMgPlantDay";
const FIELDS: readonly SumField<Key>[] = [
  { key: "gL", label: "Mixed into the substrate", quantity: "perSubstrate" },
  { key: "nPct", label: "Nitrogen of the label", unit: "%" },
  { key: "longevityDays", label: "Lasts, as the label says", unit: "days" },
  { key: "statedAtC", label: "at", quantity: "temperature" },
  { key: "temperatureC", label: "Substrate now", quantity: "temperature" },
  { key: "pastC", label: "Substrate since it was mixed in", quantity: "temperature", note: "mean of all days" },
  { key: "substrateLPlant", label: "Substrate of a plant", quantity: "volume" },
  { key: "ageDays", label: "Mixed in since", unit: "days" },
  { key: "needMgPlantDay", label: "A plant needs nitrogen", unit: "mg a day", note: "today’s water at the target" },
];

/** What slow-release grains give, and the share of liquid feed that remains. */
export function Granules({ zoneId, feed }: { zoneId: number; feed: ZoneFeed }) {
  const zone = useSetUp().data?.zones.find(({ id }) => id === zoneId);
  if (!zone) return <Outline />;
  const { NO3 = 0, NH4 = 0, urea = 0 } = targetOf(feed)?.ions ?? {};
  const litresPlant = (feed.litresToday ?? 0) / zone.definition.plants;
  const vessel = zone.layout?.vessel;
  return (
    <Form
      start={{
        needMgPlantDay: Math.round(litresPlant * (NO3 + NH4 + urea) * molarMassG("N")) || null,
        substrateLPlant: vessel && "substrateL" in vessel ? vessel.substrateL / vessel.plants : null,
      }}
    />
  );
}

function Form({ start }: { start: Pick<Readonly<Record<Key, number | null>>, "needMgPlantDay" | "substrateLPlant"> }) {
  const [values, setValues] = useState<Readonly<Record<Key, number | null>>>({
    ...USUAL_STARTS.slowRelease,
    ...start,
  });
  const typed = complete(values);
  return (
    <section aria-label="Slow release">
      <SumFields fields={FIELDS} values={values} onChange={setValues} />
      <Answer title="Slow release" sum={typed && trySum(() => slowRelease(typed))}>
        {({ liquidSharePct, nMgPlantDay, releasedPct, daysLeft }) =>
          `${liquidSharePct.toFixed(0)} % of the liquid feed remains: the grains give ${nMgPlantDay.toFixed(1)} mg of N a day, are ${releasedPct.toFixed(0)} % out and are spent in ${Math.round(daysLeft)} days`
        }
      </Answer>
    </section>
  );
}
