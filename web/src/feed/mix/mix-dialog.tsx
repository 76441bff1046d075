import { newMixSchema, type NewMix, type ZoneFeed } from "@sprunel/contract/feed";
import type { Recipe } from "@sprunel/core/feed/recipe";
import type { UnitSystem } from "@sprunel/core/units";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { useState } from "react";
import { RecordDialog } from "../../forms/record-dialog.tsx";
import { useUnits } from "../../units/use-units.tsx";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { faultsOfMoment, instantFrom, MomentFields, momentIn, type MomentValues } from "../../place/moment-fields.tsx";
import type { Noting } from "../../place/use-noting.ts";
import { scaleFor, weighed } from "./masses.ts";
import styles from "./mix.module.css";
import { useLogMix } from "../use-feed.ts";
import { newKey } from "../../forms/new-key.ts";

interface Values extends MomentValues {
  /** kg, or grams below 1 kg */
  lines?: { mass?: number | null; lot?: string }[];
  /** L that stand in each tank after it, by their order */
  levels?: (number | null)[];
}

const isSmall = ({ kgPerTank }: Recipe["lines"][number]): boolean => kgPerTank < 1;

/** What was weighed into the tanks, with the lots of the bags. */
export function MixDialog({
  zoneId,
  recipe,
  tanks,
  noting: opened,
  onClose,
  onLogged,
}: {
  zoneId: number;
  recipe: Recipe;
  tanks: ZoneFeed["tanks"];
  noting: Noting;
  onClose(): void;
  onLogged(): void;
}) {
  const { system } = useUnits();
  // As it was opened, to the second, for as long as nobody says another time.
  const [noting] = useState(opened);
  const log = useLogMix(zoneId);
  // One key for one mix: pressed twice, or sent again after a lost answer, it is still one.
  const [key] = useState(newKey);
  const used = tanks.filter(({ id }) => recipe.lines.some(({ tankId }) => tankId === id));
  const lines = [...recipe.lines].sort((a, b) => a.tankId.localeCompare(b.tankId) || b.kgPerTank - a.kgPerTank);
  return (
    <RecordDialog<Values, NewMix>
      title="A mix for the book"
      okText="Log it"
      width={620}
      columns={1}
      schema={newMixSchema}
      faultsIn={(values) => faultsOfMoment(values, noting)}
      asks={(mix) => mix.lines.flatMap((line) => farFromRecipe(line, recipe, system) ?? [])}
      initialValues={{
        ...momentIn(noting),
        levels: used.map(({ volumeL }) => volumeL),
        lines: lines.map((line) => ({
          mass: isSmall(line) ? Number((line.kgPerTank * 1000).toFixed(1)) : Number(line.kgPerTank.toFixed(3)),
        })),
      }}
      recordOf={({ onDate = null, clock = null, lines: typed = [], levels = [] }) => ({
        key,
        mixedAt: instantFrom({ onDate, clock }, noting),
        levels: used.flatMap(({ id }, at) => {
          const litres = levels[at] ?? null;
          return litres === null ? [] : [{ tankId: id, litres }];
        }),
        lines: lines.flatMap((line, at) => {
          const { mass = null, lot } = typed[at] ?? {};
          if (mass === null) return [];
          const { productId, tankId } = line;
          return [{ productId, tankId, kg: isSmall(line) ? mass / 1000 : mass, lot: lot?.trim() || null }];
        }),
      })}
      saving={log}
      save={(mix, then) =>
        log.mutate(mix, {
          ...then,
          onSuccess: () => {
            then.onSuccess();
            onLogged();
          },
        })
      }
      onClose={onClose}
    >
      {lines.map(({ productId, tankId, name, kgPerTank }, at) => (
        <div key={`${tankId} ${productId}`} className={styles["weighed"]}>
          <span>
            {tankId} · {name}
          </span>
          <Form.Item name={["lines", at, "mass"]} noStyle>
            <QuantityInput label={`${name} in tank ${tankId}`} {...scaled(kgPerTank, system)} />
          </Form.Item>
          <Form.Item name={["lines", at, "lot"]} noStyle>
            <Input placeholder="lot" aria-label={`Lot of ${name} in tank ${tankId}`} maxLength={40} />
          </Form.Item>
        </div>
      ))}
      <div className={styles["weighed"]}>
        <MomentFields until={noting.today} verb="Mixed" />
      </div>
      {used.map(({ id }, at) => (
        <div key={id} className={styles["weighed"]}>
          <span>Stands in tank {id} then</span>
          <Form.Item name={["levels", at]} noStyle>
            <QuantityInput label={`Stands in tank ${id}`} quantity="volume" />
          </Form.Item>
        </div>
      ))}
    </RecordDialog>
  );
}

function scaled(
  kg: number,
  system: UnitSystem,
): { readonly unit: string } | { readonly quantity: "mass" | "smallMass" } {
  const scale = scaleFor(kg, system);
  return scale === "g" ? { unit: "g" } : { quantity: scale };
}

/** More than double or less than half of what the recipe weighs is likely a slip. */
function farFromRecipe(
  { productId, tankId, kg }: NewMix["lines"][number],
  { lines }: Recipe,
  system: UnitSystem,
): string | null {
  const asked = lines.find((line) => line.productId === productId && line.tankId === tankId);
  if (!asked || (kg <= 2 * asked.kgPerTank && kg >= asked.kgPerTank / 2)) return null;
  const [typed, wanted] = [weighed(kg, system), weighed(asked.kgPerTank, system)];
  return `${asked.name} in tank ${tankId}: ${typed.text} ${typed.unit} is far from the ${wanted.text} ${wanted.unit} of the recipe.`;
}
