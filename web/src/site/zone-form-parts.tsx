import type { CropChoice, Planting } from "@sprunel/contract/site";
import Button from "antd/es/button";
import Form from "antd/es/form";
import Input from "antd/es/input";
import Select from "antd/es/select";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { DateInput } from "../forms/date-input.tsx";
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

/** The first question: a crop, since when, and what the zone is called. */
export function WhatGrows({ crops }: { crops: readonly CropChoice[] }) {
  return (
    <Question number={1} text="What grows?">
      <Form.Item
        name={["planting", "cropId"]}
        label="Crop"
        extra={
          <>
            Not among them? <Link to="/crops">Begin one of your own</Link> from the nearest.
          </>
        }
      >
        <Select
          allowClear
          showSearch={{ optionFilterProp: "label" }}
          options={[...new Set(crops.map(({ group }) => group))].map((group) => ({
            label: group,
            options: crops.filter((crop) => crop.group === group).map(({ id, name }) => ({ value: id, label: name })),
          }))}
          placeholder="nothing planted"
          notFoundContent="No crop of the library is called so."
        />
      </Form.Item>
      <Form.Item name={["planting", "plantedOn"]} label="Planted on">
        <DateInput />
      </Form.Item>
      <Form.Item name="name" label="Name of the zone">
        <Input />
      </Form.Item>
    </Question>
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
