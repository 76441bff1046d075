import { newMixSchema, type NewMix, type ZoneFeed } from "@sprunel/contract/feed";
import type { Recipe } from "@sprunel/core/feed";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { useState } from "react";
import { RecordDialog } from "../../forms/record-dialog.tsx";
import { QuantityInput } from "../../units/quantity-input.tsx";
import styles from "./mix.module.css";
import { useLogMix } from "../use-feed.ts";
import { newKey } from "../../forms/new-key.ts";

interface Values {
  /** as they stand on their scale: grams below 1 kg */
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
  onClose,
  onLogged,
}: {
  zoneId: number;
  recipe: Recipe;
  tanks: ZoneFeed["tanks"];
  onClose(): void;
  onLogged(): void;
}) {
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
      initialValues={{
        levels: used.map(({ volumeL }) => volumeL),
        lines: lines.map((line) => ({
          mass: isSmall(line) ? Number((line.kgPerTank * 1000).toFixed(1)) : Number(line.kgPerTank.toFixed(3)),
        })),
      }}
      recordOf={({ lines: typed = [], levels = [] }) => ({
        key,
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
            <QuantityInput
              label={`${name} in tank ${tankId}`}
              {...(kgPerTank < 1 ? { unit: "g" } : { quantity: "mass" })}
            />
          </Form.Item>
          <Form.Item name={["lines", at, "lot"]} noStyle>
            <Input placeholder="lot" aria-label={`Lot of ${name} in tank ${tankId}`} maxLength={40} />
          </Form.Item>
        </div>
      ))}
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
