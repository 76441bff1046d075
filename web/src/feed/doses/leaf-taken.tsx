import { newLeafTakenSchema, type DosePlan } from "@sprunel/contract/feed";
import { USUAL_LEAF } from "@sprunel/core/feed/books";
import Button from "antd/es/button";
import Checkbox from "antd/es/checkbox";
import { useState } from "react";
import { DateInput } from "../../forms/date-input.tsx";
import { Faults } from "../../forms/faults.tsx";
import forms from "../../forms/forms.module.css";
import { newKey } from "../../forms/new-key.ts";
import { useChecked } from "../../forms/use-checked.ts";
import { useDates } from "../../units/dates.tsx";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { Amount, useUnits } from "../../units/use-units.tsx";
import styles from "./doses.module.css";
import { Three } from "./need-picture.tsx";
import { useNoteLeaf, useStrikeLeaf } from "./use-doses.ts";

const HOLDS = [
  ["dryPct", "dry matter", "% of the fresh mass"],
  ["nPct", "N", "% of the dry matter"],
  ["pPct", "P", "% of the dry matter"],
  ["kPct", "K", "% of the dry matter"],
] as const;

/** Leaf and shoots that were carried away beside what was picked: what went with them, and a note of more. */
export function LeafTaken({ zoneId, leaf, today }: { zoneId: number; leaf: DosePlan["leaf"]; today: string }) {
  const dates = useDates();
  const { show } = useUnits();
  const strike = useStrikeLeaf(zoneId);
  const [opened, setOpened] = useState(false);
  return (
    <>
      {leaf.length > 0 && (
        <ul className={styles["changes"]} aria-label="Leaf that was carried away">
          {leaf.map(({ id, takenOn, massKg, analysed, kgHa }) => (
            <li key={id}>
              <span>
                {dates.show(takenOn, "day")}: <Amount quantity="mass" value={massKg} /> of leaf, with{" "}
                <Three amounts={kgHa} /> {show("perLand", 0).unit}
                {!analysed && <small> by usual contents, assumed</small>}
              </span>
              <Button
                type="link"
                size="small"
                aria-label={`Take out: leaf of ${takenOn}`}
                onClick={() => strike.mutate(id)}
              >
                take out
              </Button>
            </li>
          ))}
        </ul>
      )}
      {opened ? (
        <LeafForm zoneId={zoneId} today={today} onDone={() => setOpened(false)} />
      ) : (
        <p className={forms["actions"]}>
          <Button onClick={() => setOpened(true)}>Note leaf that was carried away</Button>
        </p>
      )}
      <Faults faults={[]} error={strike.error} />
    </>
  );
}

function LeafForm({ zoneId, today, onDone }: { zoneId: number; today: string; onDone(): void }) {
  const note = useNoteLeaf(zoneId);
  const [key] = useState(newKey);
  const [typed, setTyped] = useState<Record<"massKg" | keyof typeof USUAL_LEAF, number | null>>({
    massKg: null,
    ...USUAL_LEAF,
  });
  const [takenOn, setTakenOn] = useState<string | null>(today);
  const [analysed, setAnalysed] = useState(false);
  const { send, wrong } = useChecked(newLeafTakenSchema, note, onDone);
  return (
    <div role="group" aria-label="Leaf that was carried away">
      <div className={forms["fields"]}>
        <label>
          fresh mass
          <QuantityInput
            label="Fresh mass of leaf"
            quantity="mass"
            value={typed.massKg}
            onChange={(massKg) => setTyped({ ...typed, massKg: massKg ?? null })}
          />
        </label>
        <label>
          on
          <DateInput label="Carried away on" value={takenOn} onChange={setTakenOn} until={today} />
        </label>
        {HOLDS.map(([field, label, unit]) => (
          <label key={field}>
            {label}
            <QuantityInput
              label={`Leaf’s ${label}`}
              unit={unit}
              value={typed[field]}
              onChange={(value) => setTyped({ ...typed, [field]: value ?? null })}
            />
          </label>
        ))}
      </div>
      <Checkbox checked={analysed} onChange={({ target }) => setAnalysed(target.checked)}>
        these contents are from an analysis; else they count as usual ones, assumed
      </Checkbox>
      <p className={forms["actions"]}>
        <Button type="primary" loading={note.isPending} onClick={() => send({ key, takenOn, analysed, ...typed })}>
          Save
        </Button>
        <Button onClick={onDone}>Not now</Button>
      </p>
      <Faults {...wrong} />
    </div>
  );
}
