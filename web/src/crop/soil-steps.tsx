import { newSoilStepSchema, type SoilSteps as Steps } from "@sprunel/contract/crop";
import { SOIL_STEPS, USUAL_WAIT_DAYS, type SoilStepKind } from "@sprunel/core/crop";
import Button from "antd/es/button";
import Input from "antd/es/input";
import Select from "antd/es/select";
import { useState } from "react";
import { DateInput } from "../forms/date-input.tsx";
import { Faults } from "../forms/faults.tsx";
import forms from "../forms/forms.module.css";
import { newKey } from "../forms/new-key.ts";
import { useChecked } from "../forms/use-checked.ts";
import { useDates } from "../units/dates.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import styles from "./next-planting.module.css";
import { PhTool } from "./ph-tool.tsx";
import { useAddSoilStep, useSoilSteps, useStrikeSoilStep } from "./use-crop.ts";

export const STEP_WORDS: Readonly<Record<SoilStepKind, string>> = {
  lime: "lime worked in",
  sulphur: "sulphur worked in",
  manure: "manure spread",
  basal: "basal dressing",
  wetting: "beds wetted through",
  "plant-back": "cover or residues turned in",
};

/** What a step begins with, where a sum made it. */
export interface StepStart {
  readonly kind: SoilStepKind;
  readonly waitDays: number;
  readonly note: string;
}

/** What is done to the soil before the next crop; nothing is planted before its waits are over. */
export function SoilSteps({ zoneId, areaM2, today }: { zoneId: number; areaM2: number; today: string }) {
  const dates = useDates();
  const steps = useSoilSteps(zoneId).data?.steps ?? [];
  const strike = useStrikeSoilStep(zoneId);
  const [opened, setOpened] = useState<"step" | "ph" | null>(null);
  const [start, setStart] = useState<StepStart | null>(null);
  return (
    <section aria-label="The soil before planting" className={styles["next"]}>
      <h2>The soil before planting</h2>
      {steps.length === 0 && <p className="quiet">Nothing is planned or done.</p>}
      <ul className={styles["soil"]}>
        {steps.map((step) => (
          <Step key={step.id} step={step} today={today} shown={dates} onStrike={() => strike.mutate(step.id)} />
        ))}
      </ul>
      {opened === null && (
        <p className={forms["actions"]}>
          <Button
            onClick={() => {
              setStart(null);
              setOpened("step");
            }}
          >
            Plan or note a step
          </Button>
          <Button onClick={() => setOpened("ph")}>Bring the pH to a target</Button>
        </p>
      )}
      {opened === "ph" && (
        <PhTool
          areaM2={areaM2}
          onPlan={(found) => {
            setStart(found);
            setOpened("step");
          }}
          onDone={() => setOpened(null)}
        />
      )}
      {opened === "step" && <StepForm zoneId={zoneId} start={start} today={today} onDone={() => setOpened(null)} />}
      <Faults faults={[]} error={strike.error} />
    </section>
  );
}

function Step({
  step: { kind, on, readyOn, note },
  today,
  shown,
  onStrike,
}: {
  step: Steps["steps"][number];
  today: string;
  shown: ReturnType<typeof useDates>;
  onStrike(): void;
}) {
  return (
    <li data-over={readyOn <= today || undefined}>
      <span>
        <strong>{shown.show(on, "weekday")}</strong> {STEP_WORDS[kind]}
        {note !== null && `: ${note}`} ·{" "}
        {readyOn <= today ? "its wait is over" : `nothing is planted before ${shown.show(readyOn, "weekday")}`}
      </span>
      <Button type="link" size="small" aria-label={`Take out: ${STEP_WORDS[kind]} of ${on}`} onClick={onStrike}>
        take out
      </Button>
    </li>
  );
}

function StepForm({
  zoneId,
  start,
  today,
  onDone,
}: {
  zoneId: number;
  start: StepStart | null;
  today: string;
  onDone(): void;
}) {
  const add = useAddSoilStep(zoneId);
  const [key] = useState(newKey);
  const [kind, setKind] = useState<SoilStepKind>(start?.kind ?? "manure");
  const [on, setOn] = useState<string | null>(today);
  const [waitDays, setWait] = useState<number | null>(start?.waitDays ?? USUAL_WAIT_DAYS.manure);
  const [note, setNote] = useState(start?.note ?? "");
  const { send, wrong } = useChecked(newSoilStepSchema, add, onDone);
  return (
    <div className={forms["fields"]} role="group" aria-label="A step of the soil">
      <label>
        what is done
        <Select
          aria-label="What is done to the soil"
          value={kind}
          options={SOIL_STEPS.map((value) => ({ value, label: STEP_WORDS[value] }))}
          onChange={(next) => {
            setKind(next);
            setWait(USUAL_WAIT_DAYS[next]);
          }}
          className="select-m"
        />
      </label>
      <label>
        on
        <DateInput label="Done to the soil on" value={on} onChange={setOn} />
      </label>
      <label>
        then wait (usual, assumed)
        <QuantityInput
          label="Days until planting"
          unit="days"
          value={waitDays}
          onChange={(value) => setWait(value ?? null)}
        />
      </label>
      <label>
        what it is
        <Input
          aria-label="What it is"
          placeholder="as cattle manure, 30 t/ha"
          value={note}
          onChange={({ target }) => setNote(target.value)}
        />
      </label>
      <p className={forms["actions"]}>
        <Button
          type="primary"
          loading={add.isPending}
          onClick={() =>
            send({
              key,
              kind,
              on: on ?? "",
              waitDays: waitDays ?? undefined,
              note: note.trim() === "" ? null : note.trim(),
            })
          }
        >
          Put it down
        </Button>
        <Button onClick={onDone}>Not now</Button>
      </p>
      <Faults {...wrong} />
    </div>
  );
}
