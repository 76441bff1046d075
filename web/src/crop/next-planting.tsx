import { nextPlantingSchema, type ZoneCrop } from "@sprunel/contract/crop";
import { RAISING_STARTS, RAISING_WAYS, type Raising, type RaisingStepKind, type RaisingWay } from "@sprunel/core/crop";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { useState } from "react";
import { DateInput } from "../forms/date-input.tsx";
import { Faults } from "../forms/faults.tsx";
import { faultsOf } from "../forms/form-errors.ts";
import forms from "../forms/forms.module.css";
import { useChecked } from "../forms/use-checked.ts";
import { useSetUp } from "../place/use-set-up.ts";
import { showDigits } from "../units/show.ts";
import { useDates } from "../units/dates.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import { Amount } from "../units/use-units.tsx";
import crops from "./crop.module.css";
import styles from "./next-planting.module.css";
import { RowsInput, rowsWords, type TypedRows } from "./rows.tsx";
import { useDropNext, usePlanNext } from "./use-crop.ts";

type Plan = NonNullable<NonNullable<ZoneCrop["next"]>["plan"]>;

const WAYS: Readonly<Record<RaisingWay, string>> = {
  seed: "raised from seed",
  cuttings: "raised from cuttings",
  sown: "sown in place",
  bought: "bought as young plants",
};

/** The figures that each way asks for, and what they are called in it. */
const FIELDS: Readonly<Record<RaisingWay, readonly (readonly [keyof Omit<Raising, "way">, string, string])[]>> = {
  seed: [
    ["startPct", "come up", "%"],
    ["lossPct", "lost on the way", "%"],
    ["startDays", "until they are up", "days"],
    ["benchDays", "on the bench", "days"],
    ["hardenDays", "hardening", "days"],
    ["cells", "cells of a tray", ""],
  ],
  cuttings: [
    ["startPct", "root", "%"],
    ["lossPct", "lost on the way", "%"],
    ["startDays", "until they are rooted", "days"],
    ["benchDays", "on the bench", "days"],
    ["hardenDays", "hardening", "days"],
    ["cells", "cells of a tray", ""],
    ["stockCuttings", "cuttings of a stock plant; 0 if bought", ""],
    ["flushWeeks", "between its flushes", "weeks"],
    ["stockWeeks", "until it is replaced", "weeks"],
    ["coldDays", "in cold store", "days"],
  ],
  sown: [
    ["startPct", "come up", "%"],
    ["lossPct", "lost on the way", "%"],
    ["startDays", "until they are up", "days"],
    ["seedMg", "one seed weighs", "mg"],
  ],
  bought: [
    ["lossPct", "set aside", "%"],
    ["orderWeeks", "from order to delivery", "weeks"],
    ["hardenDays", "hardening", "days"],
  ],
};

const STEPS: Readonly<Record<RaisingStepKind, string>> = {
  order: "order the plants",
  stock: "set the stock plants",
  flush: "cut the stock plants back: the next flush is for this crop",
  cut: "take the cuttings",
  sow: "sow",
  stick: "stick the cuttings",
  up: "up by now",
  rooted: "rooted by now: mist off",
  feed: "first weak feed",
  harden: "harden off: less warmth and water",
  accept: "look them over: roots white and through the plug, no pests, of one size",
  plant: "plant",
};

/** What comes after in this zone, and what is done for it before: counted back from its date. */
export function NextPlanting({ crop, today }: { crop: ZoneCrop; today: string }) {
  const [opened, setOpened] = useState(false);
  const drop = useDropNext(crop.zoneId);
  const { next } = crop;
  return (
    <section aria-label="The next crop" className={styles["next"]}>
      <h2>The next crop</h2>
      {next ? <Planned next={next} today={today} /> : <p className="quiet">Nothing is planned after this.</p>}
      {opened ? (
        <Form crop={crop} onDone={() => setOpened(false)} />
      ) : (
        <p className={forms["actions"]}>
          <Button onClick={() => setOpened(true)}>{next ? "Change it" : "Plan the next crop"}</Button>
          {next && (
            <Button type="link" loading={drop.isPending} onClick={() => drop.mutate({ version: crop.version })}>
              Plan nothing
            </Button>
          )}
        </p>
      )}
      <Faults faults={drop.error ? faultsOf(drop.error).map(({ message }) => message) : []} error={drop.error} />
    </section>
  );
}

function Planned({ next, today }: { next: NonNullable<ZoneCrop["next"]>; today: string }) {
  const dates = useDates();
  const { plan, raising } = next;
  return (
    <>
      <p>
        <strong>{next.cropName}</strong>, {showDigits(next.plants)} plants{next.part && ` in ${rowsWords(next.part)}`},
        from {dates.show(next.plantedOn, "weekday")}
        {raising && ` · ${WAYS[raising.way]}`}
        {plan &&
          raising &&
          `: ${showDigits(plan.startFrom)} ${raising.way === "bought" ? "to order" : raising.way === "cuttings" ? "cuttings" : "seeds"}`}
        {plan?.trays != null && ` in ${plan.trays} ${plan.trays === 1 ? "tray" : "trays"}`}
        {plan?.stockPlants != null &&
          `, from ${showDigits(plan.stockPlants)} stock plants, replaced after ${raising?.stockWeeks ?? ""} weeks`}
        {plan?.seedKgHa != null && (
          <>
            , <Amount quantity="perLand" value={plan.seedKgHa} />
          </>
        )}
      </p>
      {plan && (
        <dl className={`${crops["next"]} ${styles["steps"]}`}>
          {plan.steps.map(({ on, kind, litresDay, ramp }) => (
            <div key={`${on} ${kind}`} data-over={on < today || undefined}>
              <dt>{dates.show(on, "weekday")}</dt>
              <dd>
                {STEPS[kind]}
                {litresDay !== null && (
                  <span className="quiet">
                    {" · about "}
                    <Amount quantity="volume" value={litresDay} /> a day (assumed)
                  </span>
                )}
                <Ramp days={ramp} />
              </dd>
            </div>
          ))}
        </dl>
      )}
    </>
  );
}

/** A step that goes on for days, a line each: longer outside, or less and less mist. */
function Ramp({ days }: { days: Plan["steps"][number]["ramp"] }) {
  const dates = useDates();
  if (days.length === 0) return null;
  const clock = (hour: number): string => `${String(hour).padStart(2, "0")}:00`;
  return (
    <details className={styles["ramp"]}>
      <summary>day by day (assumed)</summary>
      <ul>
        {days.map(({ on, outside, mistMin }) => (
          <li key={on}>
            {dates.show(on, "weekday")}{" "}
            {outside &&
              `outside ${outside.hours} h, ${clock(outside.fromH)} to ${clock(outside.fromH + outside.hours)}`}
            {mistMin && `mist every ${mistMin[0]} min at noon of a bright day, every ${mistMin[1]} min in dull hours`}
          </li>
        ))}
      </ul>
    </details>
  );
}

function Form({ crop, onDone }: { crop: ZoneCrop; onDone(): void }) {
  const choices = useSetUp().data?.crops ?? [];
  const plan = usePlanNext(crop.zoneId);
  const [cropId, setCrop] = useState<string | undefined>(crop.next?.cropId ?? crop.planting?.cropId);
  const [from, setFrom] = useState<"planting" | "ready">("planting");
  const [date, setDate] = useState<string | null>(crop.next?.plantedOn ?? null);
  const [raising, setRaising] = useState<Partial<Raising> & { way: RaisingWay }>(
    crop.next?.raising ?? RAISING_STARTS.seed,
  );
  const [rows, setRows] = useState<TypedRows>(crop.next?.part ?? null);
  const [plants, setPlants] = useState<number | null>(null);
  const { send, wrong } = useChecked(nextPlantingSchema, plan, onDone);
  const save = (): void => {
    send({
      cropId,
      plantedOn: from === "planting" ? (date ?? "") : null,
      readyOn: from === "ready" ? (date ?? "") : null,
      part: rows,
      plants,
      raising,
      version: crop.version,
    });
  };
  return (
    <div className={forms["fields"]}>
      <label>
        crop
        <Select
          aria-label="The next crop is"
          showSearch={{ optionFilterProp: "label" }}
          {...(cropId !== undefined && { value: cropId })}
          options={choices.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setCrop}
          className="select-m"
        />
      </label>
      <label>
        counted from
        <Select
          aria-label="Counted from"
          value={from}
          options={[
            { value: "planting", label: "the planting date" },
            { value: "ready", label: "first picking or sale" },
          ]}
          onChange={setFrom}
          className="select-m"
        />
      </label>
      <label>
        {from === "planting" ? "planted on" : "ready on"}
        <DateInput label={from === "planting" ? "Planted on" : "Ready on"} value={date} onChange={setDate} />
      </label>
      <label>
        its plants are
        <Select
          aria-label="Its plants are"
          value={raising.way}
          options={RAISING_WAYS.map((way) => ({ value: way, label: WAYS[way] }))}
          onChange={(way) => setRaising(RAISING_STARTS[way])}
          className="select-m"
        />
      </label>
      <RowsInput rows={rows} onChange={setRows} />
      <label>
        plants; empty for those of the rows
        <QuantityInput
          label="Plants of the next crop"
          unit=""
          value={plants}
          onChange={(value) => setPlants(value ?? null)}
        />
      </label>
      {FIELDS[raising.way].map(([key, name, unit]) => (
        <label key={key}>
          {name}
          <QuantityInput
            label={name}
            unit={unit}
            value={raising[key] ?? null}
            onChange={(value) => setRaising({ ...raising, [key]: value ?? undefined })}
          />
        </label>
      ))}
      <p className={forms["actions"]}>
        <Button type="primary" loading={plan.isPending} onClick={save}>
          Plan it
        </Button>
        <Button onClick={onDone}>Not now</Button>
      </p>
      <p className="quiet">
        The figures that stand here are usual ones, assumed: set them to your own. What stands now in these rows counts
        as cleared by then; in free rows it may begin at once, beside what stands.
      </p>
      <Faults {...wrong} />
    </div>
  );
}
