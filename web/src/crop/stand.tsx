import { newStandSchema, newStandStepSchema, type NewStandStep, type ZoneCrop } from "@sprunel/contract/crop";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { useState } from "react";
import { Link } from "react-router";
import { DateInput } from "../forms/date-input.tsx";
import { Faults } from "../forms/faults.tsx";
import { faultsOf } from "../forms/form-errors.ts";
import { usePlace } from "../place/use-place.ts";
import { useDates } from "../units/dates.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import { showDigits } from "../units/show.ts";
import { Amount, Measure } from "../units/use-units.tsx";
import { RowsInput, rowsWords, type TypedRows } from "./rows.tsx";
import styles from "./stand.module.css";
import { ofPlanting, useAddStandStep, useRemoveStandStep, useSetStand } from "./use-crop.ts";

type Stand = NonNullable<ZoneCrop["stand"]>;
type Step = Stand["steps"][number];
type Kind = Step["kind"];

const KINDS: Readonly<Record<Kind, string>> = {
  spaced: "moved apart",
  "potted-on": "potted on",
  drippers: "drippers set",
  "cut-back": "cut back hard",
};

const AIMS = {
  establish: "to establish: regular water, nothing dried on purpose",
  yield: "for yield",
  "keep-alive": "to keep it alive: let dry further before it is watered",
} as const;

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

/** The plantings that share a zone on the date, each with its rows; the one that is shown stands out. */
export function Beside({ crop }: { crop: ZoneCrop }) {
  const { addressOf } = usePlace();
  if (crop.beside.length < 2) return null;
  return (
    <nav aria-label="Plantings in this zone" className={styles["beside"]}>
      {crop.beside.map(({ key, cropName, part, stage, plants, leads }) => {
        const here = addressOf({});
        return (
          <Link
            key={key}
            to={`${here}${here.includes("?") ? "&" : "?"}planting=${encodeURIComponent(key)}`}
            aria-current={key === crop.planting?.key || undefined}
          >
            <strong>{rowsWords(part)}</strong>
            <span>
              {cropName}, {stage?.toLowerCase() ?? "past its last stage"}
            </span>
            <span className="quiet">
              {showDigits(plants)} plants{leads && " · leads feed and root zone"}
            </span>
          </Link>
        );
      })}
    </nav>
  );
}

/** How the planting stands now, what was done to it by date, and the ways to change both. */
export function StandSection({ crop, stand, today }: { crop: ZoneCrop; stand: Stand; today: string }) {
  const [opened, setOpened] = useState<"step" | "stand" | null>(null);
  return (
    <section aria-label="Stand" className={styles["stand"]}>
      <h2>Stand</h2>
      <p className={styles["figures"]}>
        <Measure
          text={showDigits(stand.left ?? stand.planted)}
          unit={
            stand.left === null || stand.left === stand.planted
              ? "plants"
              : `of ${showDigits(stand.planted)} plants stand`
          }
        />
        <span>
          <Amount quantity="density" value={stand.perM2} />
          {stand.groundPct < 99.5 && ` on ${showDigits(stand.groundPct)} % of the ground`}
        </span>
        {stand.heldLPlant !== null && (
          <span>
            <Amount quantity="volume" value={stand.heldLPlant} /> of water held by each
          </span>
        )}
        {stand.fromStemCm !== null && (
          <span>
            drippers <Amount quantity="spacing" value={stand.fromStemCm / 100} /> from the stem
          </span>
        )}
      </p>
      {stand.perennial && stand.aim && (
        <p>
          Year {stand.year}, watered {AIMS[stand.aim]}.
        </p>
      )}
      <Steps crop={crop} steps={stand.steps} today={today} />
      <p className={styles["actions"]}>
        <Button onClick={() => setOpened(opened === "step" ? null : "step")}>Change the stand</Button>
        <Button onClick={() => setOpened(opened === "stand" ? null : "stand")}>
          {stand.perennial ? "Rows, plants and age" : "Rows and plants"}
        </Button>
      </p>
      {opened === "step" && <StepForm crop={crop} stand={stand} today={today} onDone={() => setOpened(null)} />}
      {opened === "stand" && <StandForm crop={crop} stand={stand} onDone={() => setOpened(null)} />}
    </section>
  );
}

function Steps({ crop, steps, today }: { crop: ZoneCrop; steps: readonly Step[]; today: string }) {
  const dates = useDates();
  const remove = useRemoveStandStep(crop.zoneId);
  if (steps.length === 0) return null;
  return (
    <>
      <ul className={styles["steps"]}>
        {steps.map((step) => (
          <li key={`${step.kind} ${step.on}`} data-ahead={step.on > today || undefined}>
            <span>
              <strong>{dates.show(step.on, "weekday")}</strong> {KINDS[step.kind]}
              <StepFigures step={step} />
            </span>
            <Button
              type="link"
              size="small"
              aria-label={`Take back: ${KINDS[step.kind]} on ${step.on}`}
              loading={remove.isPending && remove.variables.on === step.on && remove.variables.kind === step.kind}
              onClick={() => remove.mutate({ kind: step.kind, on: step.on, ...ofPlanting(crop) })}
            >
              take back
            </Button>
          </li>
        ))}
      </ul>
      <Faults faults={remove.error ? faultsOf(remove.error).map(({ message }) => message) : []} error={remove.error} />
    </>
  );
}

function StepFigures({ step }: { step: Step }) {
  switch (step.kind) {
    case "spaced":
      return (
        <>
          {" to "}
          <Amount quantity="density" value={step.plantsPerM2} />
        </>
      );
    case "potted-on":
      return (
        <>
          {" into pots that hold "}
          <Amount quantity="volume" value={step.heldLPlant} />
          {step.plantsPerM2 !== null && (
            <>
              {", "}
              <Amount quantity="density" value={step.plantsPerM2} />
            </>
          )}
        </>
      );
    case "drippers":
      return (
        <>
          {" "}
          <Amount quantity="spacing" value={step.fromStemCm / 100} /> from the stem
        </>
      );
    case "cut-back":
      return (
        <>
          {" to "}
          <Measure text={showDigits(step.leafAreaLeft)} unit="m² of leaf a m²" />; its stages begin anew after{" "}
          {step.regrowthDays} days
        </>
      );
  }
}

function StepForm({ crop, stand, today, onDone }: { crop: ZoneCrop; stand: Stand; today: string; onDone(): void }) {
  const add = useAddStandStep(crop.zoneId);
  const [kind, setKind] = useState<Kind>(stand.can[0] ?? "spaced");
  const [on, setOn] = useState<string | null>(today);
  const [typed, setTyped] = useState<Record<string, number | null>>({});
  const [faults, setFaults] = useState<string[]>([]);
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
    const checked = newStandStepSchema.safeParse({ step, ...ofPlanting(crop) });
    setFaults(checked.success ? [] : faultsOf(checked.error).map(({ message }) => message));
    if (checked.success)
      add.mutate(checked.data satisfies NewStandStep, {
        onSuccess: onDone,
        onError: (error) => setFaults(faultsOf(error).map(({ message }) => message)),
      });
  };
  return (
    <div className={styles["form"]}>
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
      <p className={styles["actions"]}>
        <Button type="primary" loading={add.isPending} onClick={save}>
          Note it
        </Button>
        <Button onClick={onDone}>Not now</Button>
      </p>
      <Faults faults={faults} error={faults.length > 0 ? null : add.error} />
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

function StandForm({ crop, stand, onDone }: { crop: ZoneCrop; stand: Stand; onDone(): void }) {
  const set = useSetStand(crop.zoneId);
  const [rows, setRows] = useState<TypedRows>(stand.part);
  const [typed, setTyped] = useState<TypedStand>(stand);
  const [faults, setFaults] = useState<string[]>([]);
  const save = (): void => {
    const checked = newStandSchema.safeParse({
      part: rows,
      plants: typed.plants,
      ageYears: typed.ageYears ?? undefined,
      establishYears: typed.establishYears ?? undefined,
      waterAim: typed.waterAim,
      ...ofPlanting(crop),
    });
    setFaults(checked.success ? [] : faultsOf(checked.error).map(({ message }) => message));
    if (checked.success)
      set.mutate(checked.data, {
        onSuccess: onDone,
        onError: (error) => setFaults(faultsOf(error).map(({ message }) => message)),
      });
  };
  return (
    <div className={styles["form"]}>
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
      <p className={styles["actions"]}>
        <Button type="primary" loading={set.isPending} onClick={save}>
          Save
        </Button>
        <Button onClick={onDone}>Not now</Button>
      </p>
      <Faults faults={faults} error={faults.length > 0 ? null : set.error} />
    </div>
  );
}
