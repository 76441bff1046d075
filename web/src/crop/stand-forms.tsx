import { newStandSchema, newStandStepSchema, type ZoneCrop } from "@sprunel/contract/crop";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { useState } from "react";
import { DateInput } from "../forms/date-input.tsx";
import { Faults } from "../forms/faults.tsx";
import forms from "../forms/forms.module.css";
import { useChecked } from "../forms/use-checked.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import { RowsInput, type TypedRows } from "./rows.tsx";
import { ofPlanting, useAddStandStep, useSetStand } from "./use-crop.ts";

type Stand = NonNullable<ZoneCrop["stand"]>;
type Kind = Stand["steps"][number]["kind"];

export const KINDS: Readonly<Record<Kind, string>> = {
  spaced: "moved apart",
  "potted-on": "potted on",
  drippers: "drippers set",
  "cut-back": "cut back hard",
};

interface StepField {
  readonly key: string;
  readonly name: string;
  readonly quantity?: "density" | "volume" | "depth";
  readonly unit?: string;
}

/** What each kind of change asks for. */
const FIELDS: Readonly<Record<Kind, readonly StepField[]>> = {
  spaced: [{ key: "plantsPerM2", name: "plants on the ground", quantity: "density" }],
  "potted-on": [
    { key: "heldLPlant", name: "water that a pot holds", quantity: "volume" },
    { key: "plantsPerM2", name: "plants on the ground, if they move", quantity: "density" },
  ],
  drippers: [{ key: "fromStemCm", name: "from the stem", quantity: "depth" }],
  "cut-back": [
    { key: "leafAreaLeft", name: "leaf that is left", unit: "m² a m²" },
    { key: "regrowthDays", name: "until its stages begin anew", unit: "days" },
  ],
};

/** A change of the stand, on its day. */
export function StepForm({
  crop,
  stand,
  today,
  onDone,
}: {
  crop: ZoneCrop;
  stand: Stand;
  today: string;
  onDone(): void;
}) {
  const add = useAddStandStep(crop.zoneId);
  const [kind, setKind] = useState<Kind>(stand.can[0] ?? "spaced");
  const [on, setOn] = useState<string | null>(today);
  const [typed, setTyped] = useState<Record<string, number | null>>({});
  const { send, wrong } = useChecked(newStandStepSchema, add, onDone);
  const save = (): void => {
    const step = {
      kind,
      on: on ?? "",
      ...Object.fromEntries(
        FIELDS[kind].map(({ key }) => [
          key,
          typed[key] ?? (key === "plantsPerM2" && kind === "potted-on" ? null : undefined),
        ]),
      ),
    };
    send({ step, ...ofPlanting(crop) });
  };
  return (
    <div className={forms["fields"]}>
      <label>
        what is done
        <Select
          aria-label="What is done to the stand"
          value={kind}
          options={stand.can.map((value) => ({ value, label: KINDS[value] }))}
          onChange={setKind}
          className="select-m"
        />
      </label>
      <label>
        on
        <DateInput label="Done on" value={on} onChange={setOn} />
      </label>
      {FIELDS[kind].map(({ key, name, quantity, unit = "" }) => (
        <label key={`${kind} ${key}`}>
          {name}
          <QuantityInput
            label={name}
            {...(quantity ? { quantity } : { unit })}
            value={typed[key] ?? null}
            onChange={(value) => setTyped({ ...typed, [key]: value ?? null })}
          />
        </label>
      ))}
      <p className={forms["actions"]}>
        <Button type="primary" loading={add.isPending} onClick={save}>
          Note it
        </Button>
        <Button onClick={onDone}>Not now</Button>
      </p>
      <Faults {...wrong} />
    </div>
  );
}

/** How it stands while that is typed: a field may be empty. */
interface TypedStand {
  readonly plants: number | null;
  readonly ageYears: number | null;
  readonly establishYears: number | null;
  readonly waterAim: Stand["waterAim"];
}

/** Rows, plants and age of a planting. */
export function StandForm({ crop, stand, onDone }: { crop: ZoneCrop; stand: Stand; onDone(): void }) {
  const set = useSetStand(crop.zoneId);
  const [rows, setRows] = useState<TypedRows>(stand.part);
  const [typed, setTyped] = useState<TypedStand>(stand);
  const { send, wrong } = useChecked(newStandSchema, set, onDone);
  const save = (): void => {
    send({
      part: rows,
      plants: typed.plants,
      ageYears: typed.ageYears ?? undefined,
      establishYears: typed.establishYears ?? undefined,
      waterAim: typed.waterAim,
      ...ofPlanting(crop),
    });
  };
  return (
    <div className={forms["fields"]}>
      <RowsInput rows={rows} onChange={setRows} />
      <label>
        plants; empty for those of the rows
        <QuantityInput
          label="Plants of the planting"
          unit=""
          value={typed.plants}
          onChange={(plants) => setTyped({ ...typed, plants: plants ?? null })}
        />
      </label>
      {stand.perennial && (
        <>
          <label>
            age when planted
            <QuantityInput
              label="Age when planted"
              unit="years"
              value={typed.ageYears}
              onChange={(ageYears) => setTyped({ ...typed, ageYears: ageYears ?? null })}
            />
          </label>
          <label>
            to establish for
            <QuantityInput
              label="Years to establish"
              unit="years"
              value={typed.establishYears}
              onChange={(establishYears) => setTyped({ ...typed, establishYears: establishYears ?? null })}
            />
          </label>
          <label>
            then watered
            <Select
              aria-label="What it is watered for afterwards"
              value={typed.waterAim}
              options={(["yield", "keep-alive"] as const).map((value) => ({
                value,
                label: value === "yield" ? "for yield" : "to keep it alive",
              }))}
              onChange={(waterAim) => setTyped({ ...typed, waterAim })}
              className="select-m"
            />
          </label>
        </>
      )}
      <p className={forms["actions"]}>
        <Button type="primary" loading={set.isPending} onClick={save}>
          Save
        </Button>
        <Button onClick={onDone}>Not now</Button>
      </p>
      <Faults {...wrong} />
    </div>
  );
}
