import { newDoseRecordSchema, type DosePlan, type PlannedDose } from "@sprunel/contract/feed";
import Button from "antd/es/button";
import Input from "antd/es/input";
import Segmented from "antd/es/segmented";
import { useState } from "react";
import { DateInput } from "../../forms/date-input.tsx";
import { Faults } from "../../forms/faults.tsx";
import { faultsOf } from "../../forms/form-errors.ts";
import forms from "../../forms/forms.module.css";
import { useChecked } from "../../forms/use-checked.ts";
import { newKey } from "../../forms/new-key.ts";
import tables from "../../theme/tables.module.css";
import { useDates } from "../../units/dates.tsx";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { Amount, useUnits } from "../../units/use-units.tsx";
import styles from "./doses.module.css";
import { Bags, partsOf, WHOLE, type Part } from "./bags.tsx";
import { Band } from "./band.tsx";
import { Injected } from "./injected.tsx";
import { Three } from "./need-picture.tsx";
import { useRecordDose, useTakeDoseBack } from "./use-doses.ts";

const STATES: Readonly<Record<PlannedDose["state"], string>> = {
  planned: "planned",
  due: "due",
  given: "given",
  skipped: "skipped",
};

/** Every dose of the planting in order of time, with its bags, and what became of it. */
export function DoseList({ plan, today }: { plan: DosePlan; today: string }) {
  const { show } = useUnits();
  const [opened, setOpened] = useState<string | null>(null);
  const parts = partsOf(plan.planting);
  const [part, setPart] = useState<Part>(WHOLE);
  const back = useTakeDoseBack(plan.zoneId);
  const rows = [...plan.doses, ...plan.digestates].sort((a, b) => a.on.localeCompare(b.on));
  const keyOf = ({ on, basal, record }: PlannedDose): string => `${on} ${basal} ${record?.id ?? ""}`;
  return (
    <section aria-label="Calendar of doses">
      <h2>Doses</h2>
      {parts.length > 1 && (
        <p className={styles["per"]}>
          bags for{" "}
          <Segmented
            aria-label="Bags for"
            value={part.name}
            options={parts.map(({ name }) => name)}
            onChange={(name) => setPart(parts.find((one) => one.name === name) ?? part)}
          />
        </p>
      )}
      <table className={`${tables["table"]} ${styles["doses"]}`}>
        <thead>
          <tr>
            <th scope="col">on</th>
            <th scope="col">N · P · K, {show("perLand", 0).unit}</th>
            <th scope="col">bags</th>
            <th scope="col">state</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) =>
            "litres" in row ? (
              <DigestateRow key={`${row.on} ${row.name}`} given={row} />
            ) : (
              <DoseRow
                key={keyOf(row)}
                dose={row}
                plan={plan}
                part={part}
                today={today}
                opened={opened === keyOf(row)}
                onOpen={() => setOpened(opened === keyOf(row) ? null : keyOf(row))}
                onClose={() => setOpened(null)}
                onTakeBack={(id) => back.mutate(id)}
                takingBack={back.isPending ? back.variables : null}
              />
            ),
          )}
        </tbody>
      </table>
      <Faults faults={back.error ? faultsOf(back.error).map(({ message }) => message) : []} error={back.error} />
      {plan.unmet.map(({ nutrient, kgHa, reason }) => (
        <p key={`${nutrient} ${reason}`} className="act">
          <Amount quantity="perLand" value={kgHa} /> of {nutrient} cannot be given: {reason}.
        </p>
      ))}
      {plan.warnings.map((warning) => (
        <p key={warning} className="quiet">
          {warning}
        </p>
      ))}
    </section>
  );
}

/** One dose with its bags, its way into the water, and what became of it. */
function DoseRow({
  dose,
  plan,
  part,
  today,
  opened,
  onOpen,
  onClose,
  onTakeBack,
  takingBack,
}: {
  dose: PlannedDose;
  plan: DosePlan;
  part: Part;
  today: string;
  opened: boolean;
  onOpen(): void;
  onClose(): void;
  onTakeBack(record: number): void;
  /** the note that is being taken back */
  takingBack: number | null;
}) {
  const dates = useDates();
  const { record } = dose;
  return (
    <tr data-state={dose.state}>
      <td>
        <strong>{dates.show(dose.on, "weekday")}</strong>
        {dose.basal && <small>basal</small>}
        {dose.onlyIf && <small>only if {dose.onlyIf}</small>}
      </td>
      <td>
        <Three amounts={dose.nutrientsKgHa} />
      </td>
      <td>
        <Bags dose={dose} part={part} />
        {dose.mixedIntoL !== null && (
          <p className={styles["injected"]}>
            in <Amount quantity="volume" value={dose.mixedIntoL} /> of feed
          </p>
        )}
        {dose.band && <Band band={dose.band} />}
        {dose.injection && <Injected injection={dose.injection} />}
      </td>
      <td>
        {STATES[dose.state]}
        {record && (
          <small>
            {record.doneOn !== dose.on && `on ${dates.show(record.doneOn, "day")} `}
            {record.reason}
          </small>
        )}
        {record ? (
          <Button
            type="link"
            size="small"
            aria-label={`Take back: dose of ${dose.on}`}
            loading={takingBack === record.id}
            onClick={() => onTakeBack(record.id)}
          >
            take back
          </Button>
        ) : (
          plan.version !== null &&
          dose.on <= today && (
            <Button size="small" onClick={onOpen}>
              Note it
            </Button>
          )
        )}
        {opened && <NoteDose dose={dose} zoneId={plan.zoneId} today={today} onDone={onClose} />}
      </td>
    </tr>
  );
}

/** Digestate or reclaimed water, and the fresh water after it: noted at Water, counted here. */
function DigestateRow({
  given: { on, name, litres, flushL, nutrientsKgHa },
}: {
  given: DosePlan["digestates"][number];
}) {
  const dates = useDates();
  return (
    <tr data-state="given">
      <td>
        <strong>{dates.show(on, "weekday")}</strong>
      </td>
      <td>
        <Three amounts={nutrientsKgHa} />
      </td>
      <td>
        <Amount quantity="volume" value={litres} /> {name}
        <p className={styles["injected"]}>
          then <Amount quantity="volume" value={flushL} /> of fresh water; what it may get yet stands at Water
        </p>
      </td>
      <td>given</td>
    </tr>
  );
}

/** As it really was: the bags as planned stand there already. */
function NoteDose({
  dose,
  zoneId,
  today,
  onDone,
}: {
  dose: PlannedDose;
  zoneId: number;
  today: string;
  onDone(): void;
}) {
  const record = useRecordDose(zoneId);
  const [key] = useState(newKey);
  const [doneOn, setDoneOn] = useState<string | null>(today);
  const [kg, setKg] = useState<Record<string, number | null>>(
    Object.fromEntries(dose.products.map((product) => [product.productId, Number(product.kg.toFixed(3))])),
  );
  const [reason, setReason] = useState("");
  const { send, wrong } = useChecked(newDoseRecordSchema, record, onDone);
  const note = (state: "given" | "skipped"): void =>
    send({
      ...{ key, plannedOn: dose.on, basal: dose.basal, doneOn: doneOn ?? "", state },
      products:
        state === "given" ? Object.entries(kg).map(([productId, some]) => ({ productId, kg: some ?? undefined })) : [],
      reason: reason.trim() || (state === "skipped" && dose.onlyIf ? `not so: ${dose.onlyIf}` : null),
    });
  return (
    <div className={forms["fields"]} role="group" aria-label={`Dose of ${dose.on}`}>
      {dose.onlyIf && <p>Only if {dose.onlyIf}. Is it so?</p>}
      <label>
        given on
        <DateInput label="Given on" value={doneOn} until={today} onChange={setDoneOn} />
      </label>
      {dose.products.map(({ productId, name }) => (
        <label key={productId}>
          {name}
          <QuantityInput
            label={name}
            quantity="mass"
            value={kg[productId] ?? null}
            onChange={(value) => setKg({ ...kg, [productId]: value ?? null })}
          />
        </label>
      ))}
      <label>
        why it was skipped
        <Input aria-label="Why it was skipped" value={reason} onChange={({ target }) => setReason(target.value)} />
      </label>
      <p className={forms["actions"]}>
        <Button type="primary" loading={record.isPending} onClick={() => note("given")}>
          {dose.onlyIf ? "It is so: given" : "Given"}
        </Button>
        <Button loading={record.isPending} onClick={() => note("skipped")}>
          {dose.onlyIf ? "It is not so: skipped" : "Skipped"}
        </Button>
      </p>
      <Faults {...wrong} />
    </div>
  );
}
