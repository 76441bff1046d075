import type { ZoneFeed } from "@sprunel/contract/feed";
import { USUAL_STARTS } from "@sprunel/core/feed/products";
import { tankTopUp, type Recipe } from "@sprunel/core/feed/recipe";
import Select from "antd/es/select";
import { Outline } from "../../parts/outline.tsx";
import { useState } from "react";
import { useSetUp } from "../../place/use-set-up.ts";
import { Answer } from "../../sums/answer.tsx";
import { complete, SumFields, type SumField } from "../../sums/sum-fields.tsx";
import { trySum } from "../../sums/try-sum.ts";
import { useUnits } from "../../units/use-units.tsx";
import styles from "../feed.module.css";
import { recipeInput, targetOf, useProducts } from "../use-feed.ts";
import { useRecipe } from "../recipe/use-recipe.ts";

type Key = "litres" | "ec" | "ph" | "targetEc" | "targetPh" | "waterEc";
const FIELDS: readonly SumField<Key>[] = [
  { key: "litres", label: "In the tank, filled up with water", quantity: "volume" },
  { key: "ec", label: "EC in the tank", unit: "mS/cm" },
  { key: "ph", label: "pH in the tank" },
  { key: "targetEc", label: "EC aimed at", unit: "mS/cm", note: "of the recipe" },
  { key: "targetPh", label: "pH aimed at", note: "of the target" },
  { key: "waterEc", label: "EC of the water", unit: "mS/cm" },
];

/** A tank of solution brought back to its EC and pH. */
export function TopUp({ zoneId, feed }: { zoneId: number; feed: ZoneFeed }) {
  const target = targetOf(feed);
  const recipe = useRecipe(target && recipeInput(feed, target)).data;
  const zone = useSetUp().data?.zones.find(({ id }) => id === zoneId);
  if (!target) return <p>A tank is topped up towards a target: see Targets.</p>;
  if (!recipe || !zone) return <Outline />;
  const { definition } = zone;
  const litres = "fullLevelCm" in definition ? definition.fullLevelCm * 10 * definition.areaM2 : null;
  return <Form feed={feed} recipe={recipe} targetPh={target.ph} litres={litres} />;
}

function Form({
  feed,
  recipe,
  targetPh,
  litres,
}: {
  feed: ZoneFeed;
  recipe: Recipe;
  targetPh: number;
  litres: number | null;
}) {
  const { show } = useUnits();
  const library = useProducts().data?.products ?? [];
  const acids = [...feed.shelf.map(({ product }) => product), ...library].filter(
    ({ composition, densityKgL }, at, all) =>
      (composition.H ?? 0) > 0 && densityKgL !== undefined && all.findIndex((other) => other.id === all[at]?.id) === at,
  );
  const [acidId, setAcidId] = useState<string | null>(null);
  const acid = acids.find(({ id }) => id === acidId) ?? acids[0];
  const [values, setValues] = useState<Readonly<Record<Key, number | null>>>({
    litres,
    ec: null,
    ph: null,
    targetEc: Number(recipe.delivered.ecMsCm.toFixed(2)),
    targetPh,
    waterEc: USUAL_STARTS.waterEcMsCm,
  });
  const typed = complete(values);
  const dilution = Math.max(...feed.tanks.map((tank) => tank.dilution));
  const sum =
    typed &&
    acid &&
    trySum(() =>
      tankTopUp({
        litres: typed.litres,
        ecMsCm: typed.ec,
        ph: typed.ph,
        targetEcMsCm: typed.targetEc,
        targetPh: typed.targetPh,
        waterEcMsCm: typed.waterEc,
        recipeEcMsCm: recipe.delivered.ecMsCm,
        dilution,
        phosphateMmolL: recipe.delivered.ions.H2PO4 ?? 0,
        acid,
      }),
    );
  const volume = (value: number): string => `${show("volume", value).text} ${show("volume", value).unit}`;
  return (
    <section aria-label="Top up a tank">
      <div className={styles["keep"]}>
        <Select
          aria-label="Acid at hand"
          value={acid?.id ?? null}
          options={acids.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setAcidId}
        />
      </div>
      <SumFields fields={FIELDS} values={values} onChange={setValues} />
      <Answer title="Top up" sum={sum ?? null}>
        {({ concentrateL, waterL, acidMl }) =>
          [
            concentrateL > 0 && `${volume(concentrateL)} of each concentrate (1 : ${dilution})`,
            waterL > 0 && `${volume(waterL)} of water`,
            acidMl > 0 && `${acidMl.toFixed(0)} mL of ${acid?.name.toLowerCase() ?? "acid"}`,
          ]
            .filter((part) => part !== false)
            .join(", ") || "Nothing to add"
        }
      </Answer>
    </section>
  );
}
