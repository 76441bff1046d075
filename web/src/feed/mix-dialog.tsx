import { newMixSchema, type NewMix } from "@sprunel/contract";
import type { Recipe } from "@sprunel/core";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { useState } from "react";
import { RecordDialog } from "../forms/record-dialog.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import styles from "./feed.module.css";
import { useLogMix } from "./use-feed.ts";

interface Values {
  lines?: { kg?: number | null; lot?: string }[];
}

/** What was weighed into the tanks, with the lots of the bags. */
export function MixDialog({
  zoneId,
  recipe,
  onClose,
  onLogged,
}: {
  zoneId: number;
  recipe: Recipe;
  onClose(): void;
  onLogged(): void;
}) {
  const log = useLogMix(zoneId);
  // One key for one mix: pressed twice, or sent again after a lost answer, it is still one.
  const [key] = useState(() => crypto.randomUUID());
  return (
    <RecordDialog<Values, NewMix>
      title="A mix for the book"
      okText="Log it"
      width={620}
      columns={1}
      schema={newMixSchema}
      initialValues={{ lines: recipe.lines.map(({ kgPerTank }) => ({ kg: Number(kgPerTank.toFixed(4)) })) }}
      recordOf={({ lines = [] }) => ({
        key,
        lines: recipe.lines.flatMap(({ productId, tankId }, at) => {
          const { kg = null, lot } = lines[at] ?? {};
          return kg === null ? [] : [{ productId, tankId, kg, lot: lot?.trim() || null }];
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
      {recipe.lines.map(({ productId, tankId, name }, at) => (
        <div key={`${tankId} ${productId}`} className={styles["weighed"]}>
          <span>
            {tankId} · {name}
          </span>
          <Form.Item name={["lines", at, "kg"]} noStyle>
            <QuantityInput label={`${name} in tank ${tankId}`} quantity="mass" />
          </Form.Item>
          <Form.Item name={["lines", at, "lot"]} noStyle>
            <Input placeholder="lot" aria-label={`Lot of ${name} in tank ${tankId}`} maxLength={40} />
          </Form.Item>
        </div>
      ))}
    </RecordDialog>
  );
}
