import { USUAL_STARTS } from "@sprunel/core/feed/products";
import { granularDressing } from "@sprunel/core/feed/doses";
import { Outline } from "../../parts/outline.tsx";
import { useState } from "react";
import { useSetUp } from "../../place/use-set-up.ts";
import { Answer } from "../../sums/answer.tsx";
import { complete, SumFields, type SumField } from "../../sums/sum-fields.tsx";
import { trySum } from "../../sums/try-sum.ts";
import { Amount, useUnits } from "../../units/use-units.tsx";
import styles from "../feed.module.css";

type Key = "nutrientKgHa" | "contentPct" | "areaM2" | "beds" | "rowM" | "plants";
const FIELDS: readonly SumField<Key>[] = [
  { key: "nutrientKgHa", label: "Nutrient for the ground", quantity: "perLand" },
  { key: "contentPct", label: "Of it in the bag", unit: "%" },
  { key: "areaM2", label: "Area", quantity: "area", note: "of the zone" },
  { key: "beds", label: "Beds", unit: "beds", note: "of its layout" },
  { key: "rowM", label: "Rows together", quantity: "length", note: "of its layout" },
  { key: "plants", label: "Plants", unit: "plants", note: "of the zone" },
];

/** Grains on the ground: kg for the zone, a little for a length of row and a plant. */
export function Dressing({ zoneId }: { zoneId: number }) {
  const zone = useSetUp().data?.zones.find(({ id }) => id === zoneId);
  if (!zone) return <Outline />;
  const { definition, layout } = zone;
  return (
    <Form
      start={{
        areaM2: definition.areaM2,
        plants: definition.plants,
        beds: layout?.beds ?? null,
        rowM: layout ? layout.beds * layout.rows * layout.lengthM : null,
      }}
    />
  );
}

function Form({ start }: { start: Omit<Readonly<Record<Key, number | null>>, "nutrientKgHa" | "contentPct"> }) {
  const { show } = useUnits();
  const [values, setValues] = useState<Readonly<Record<Key, number | null>>>({
    ...USUAL_STARTS.dressing,
    ...start,
  });
  const typed = complete(values);
  const sum = typed && trySum(() => granularDressing(typed));
  return (
    <section aria-label="Dressing in grains">
      <SumFields fields={FIELDS} values={values} onChange={setValues} />
      <Answer title="Dressing" sum={sum}>
        {({ zoneKg }) => `${show("mass", zoneKg).text} ${show("mass", zoneKg).unit} for the zone`}
      </Answer>
      {sum && typeof sum !== "string" && (
        <dl className={styles["facts"]}>
          <dt>On the ground</dt>
          <dd>
            <Amount quantity="perLand" value={sum.kgHa} />
          </dd>
          <dt>A bed</dt>
          <dd>
            <Amount quantity="mass" value={sum.bedKg} />
          </dd>
          <dt>Along a row</dt>
          <dd>
            <Amount quantity="perRow" value={sum.rowMetreG} />
          </dd>
          <dt>A plant</dt>
          <dd>
            <Amount quantity="smallMass" value={sum.plantG} />
          </dd>
        </dl>
      )}
    </section>
  );
}
