import type { ZoneCrop } from "@sprunel/contract/crop";
import Button from "antd/es/button";
import { useState } from "react";
import { Link } from "react-router";
import { Faults } from "../forms/faults.tsx";
import { faultsOf } from "../forms/form-errors.ts";
import forms from "../forms/forms.module.css";
import { usePlace } from "../place/use-place.ts";
import { useDates } from "../units/dates.tsx";
import { showDigits } from "../units/show.ts";
import { Amount, Measure } from "../units/use-units.tsx";
import { rowsWords } from "./rows.tsx";
import { KINDS, StandForm, StepForm } from "./stand-forms.tsx";
import styles from "./stand.module.css";
import { ofPlanting, useRemoveStandStep } from "./use-crop.ts";

type Stand = NonNullable<ZoneCrop["stand"]>;
type Step = Stand["steps"][number];

const AIMS = {
  establish: "to establish: regular water, nothing dried on purpose",
  yield: "for yield",
  "keep-alive": "to keep it alive: let dry further before it is watered",
} as const;

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
      <p className={forms["actions"]}>
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
