import type { DosePlan, PlannedDose } from "@sprunel/contract/feed";
import Button from "antd/es/button";
import { useDates } from "../../units/dates.tsx";
import { Amount } from "../../units/use-units.tsx";
import { Bags, type Part } from "./bags.tsx";
import { Band } from "./band.tsx";
import styles from "./doses.module.css";
import { Injected } from "./injected.tsx";
import { Three } from "./need-picture.tsx";
import { NoteDose } from "./note-dose.tsx";

/** Nitrogen in the litres that a dose is mixed into. */
function nMgL({ nutrientsKgHa, mixedIntoL }: PlannedDose, { planting }: DosePlan): number {
  const kg = (nutrientsKgHa.N * (planting?.areaM2 ?? 0)) / 10_000;
  return mixedIntoL ? (kg * 1e6) / mixedIntoL : 0;
}

/** One dose with its bags, its way into the water, and what became of it. */
export function DoseRow({
  dose,
  plan,
  part,
  warnings,
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
  /** of its way into the water, as far as no dose above it has told them */
  warnings: readonly string[];
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
            in <Amount quantity="volume" value={dose.mixedIntoL} /> of feed, {nMgL(dose, plan).toFixed(0)} mg/L of N
          </p>
        )}
        {dose.band && <Band band={dose.band} />}
        {dose.injection && <Injected injection={dose.injection} warnings={warnings} />}
      </td>
      <td>
        {dose.state}
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
export function DigestateRow({
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
          then <Amount quantity="volume" value={flushL} /> of fresh water
        </p>
      </td>
      <td>given</td>
    </tr>
  );
}
