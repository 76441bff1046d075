import type { CropChoice, Planting } from "@sprunel/contract/site";
import Button from "antd/es/button";
import type { ReactNode } from "react";
import styles from "./set-up.module.css";
import type { FormValues } from "./zone-form-values.ts";
import { useDates } from "../units/dates.tsx";

export function Question({ number, text, children }: { number: number; text: string; children: ReactNode }) {
  return (
    <section className={styles["question"]} aria-label={text}>
      <h2>
        <span className={styles["number"]}>{number}</span> {text}
      </h2>
      <div className={styles["fields"]}>{children}</div>
    </section>
  );
}

/** What stood in the zone before, and the way to the next crop once this one is cleared. */
export function Earlier({
  plantings,
  crops,
  standing,
  onNext,
}: {
  plantings: readonly Planting[];
  crops: readonly CropChoice[];
  standing: FormValues["planting"];
  onNext(): void;
}) {
  const dates = useDates();
  const nameOf = (id: string): string => crops.find((crop) => crop.id === id)?.name ?? id;
  return (
    <div className={styles["earlier"]}>
      {plantings.length > 0 && (
        <span className="quiet">
          Before:{" "}
          {plantings
            .map(
              ({ cropId, plantedOn, clearedOn }) =>
                `${nameOf(cropId)}, ${dates.show(plantedOn, "year")} to ${clearedOn === null ? "?" : dates.show(clearedOn, "year")}`,
            )
            .join(" · ")}
        </span>
      )}
      {standing?.cropId && standing.plantedOn && standing.clearedOn && (
        <Button onClick={onNext}>Plant the next crop here</Button>
      )}
    </div>
  );
}

export function DefaultNote({ label, source, onConfirm }: { label: string; source?: string; onConfirm(): void }) {
  return (
    <span className={styles["default"]}>
      default{source && ` (${source})`}, not confirmed
      <button type="button" onClick={onConfirm} aria-label={`Confirm ${label}`}>
        confirm
      </button>
    </span>
  );
}
