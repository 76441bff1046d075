import type { NewWatering } from "@sprunel/contract/irrigation";
import type { Board } from "@sprunel/contract/today";
import { clockSeconds, instantOf } from "@sprunel/core/time";
import Button from "antd/es/button";
import { useState } from "react";
import { EditDialog } from "../forms/edit-dialog.tsx";
import { faultsOf } from "../forms/form-errors.ts";
import { clockAt } from "../place/clock-at.ts";
import tables from "../theme/tables.module.css";
import { QuantityInput } from "../units/quantity-input.tsx";
import type { DueWatering } from "./due-pulses.ts";
import styles from "./given.module.css";
import { useAddWaterings } from "./use-waterings.ts";
import { ClockInput } from "../forms/clock-input.tsx";

interface Row {
  readonly zoneId: number;
  readonly zoneName: string;
  readonly start: string;
  readonly minutes: number | null;
  readonly litres: number | null;
  /** to the second, as long as nobody types another start */
  readonly planned: { readonly start: string; readonly startUtc: string } | null;
}

/** Water that was given, as planned or with other litres: of one pulse, of a zone, of the day. */
export function GivenDialog({
  board,
  due,
  zone,
  onClose,
}: {
  board: Board;
  due: readonly DueWatering[];
  /** to whom a watering that nobody planned is added; null where several zones are told of */
  zone: { readonly id: number; readonly name: string } | null;
  onClose(): void;
}) {
  const timeZone = board.site?.timeZone ?? "UTC";
  const unplanned = (): Row => ({
    zoneId: zone?.id ?? 0,
    zoneName: zone?.name ?? "",
    start: board.date === board.today ? clockAt(board.now, timeZone) : "",
    minutes: null,
    litres: null,
    planned: null,
  });
  const [rows, setRows] = useState<readonly Row[]>(() =>
    due.length === 0 && zone
      ? [unplanned()]
      : due.map(({ startUtc, ...watering }) => {
          const start = clockAt(startUtc, timeZone);
          return {
            ...watering,
            minutes: rounded(watering.minutes),
            litres: rounded(watering.litres),
            start,
            planned: { start, startUtc },
          };
        }),
  );
  const [faults, setFaults] = useState<readonly string[]>([]);
  const add = useAddWaterings();
  const set = (at: number, part: Partial<Row>): void =>
    setRows(rows.map((row, index) => (index === at ? { ...row, ...part } : row)));
  const several = new Set(rows.map(({ zoneId }) => zoneId)).size > 1;
  const save = (): void => {
    const found = rows.flatMap((row) => faultOf(row, several) ?? []);
    setFaults(found);
    if (found.length > 0) return;
    add.mutate(
      rows.map((row) => wateringOf(row, board.date, timeZone)),
      {
        onSuccess: onClose,
        onError: (error) => setFaults(faultsOf(error).map(({ message }) => message)),
      },
    );
  };
  return (
    <EditDialog
      title={several ? "Given: all zones" : `Given: ${rows[0]?.zoneName ?? zone?.name ?? ""}`}
      okText="It was given"
      width={620}
      saving={add}
      faults={faults}
      onSave={save}
      onClose={onClose}
    >
      <p className="quiet">
        What is left here counts as given, with these litres. Take out what was not given; pulses before the last one
        that are not said count as not given.
      </p>
      <table className={tables["table"]}>
        <thead>
          <tr>
            {several && <th scope="col">zone</th>}
            <th scope="col">from</th>
            <th scope="col">open for</th>
            <th scope="col">given</th>
            <th aria-label="take out" />
          </tr>
        </thead>
        <tbody>
          {rows.map((row, at) => {
            const of = `${row.zoneName}, ${row.planned?.start ?? "other water"}`;
            return (
              <tr key={at}>
                {several && <td>{row.zoneName}</td>}
                <td className={styles["clock"]}>
                  <ClockInput
                    label={`Start: ${of}`}
                    value={row.start}
                    onChange={(start) => set(at, { start: start ?? "" })}
                  />
                </td>
                <td className={styles["amount"]}>
                  <QuantityInput
                    label={`Minutes: ${of}`}
                    unit="min"
                    value={row.minutes}
                    onChange={(minutes) => set(at, { minutes })}
                  />
                </td>
                <td className={styles["amount"]}>
                  <QuantityInput
                    label={`Litres: ${of}`}
                    quantity="volume"
                    value={row.litres}
                    onChange={(litres) => set(at, { litres })}
                  />
                </td>
                <td>
                  {rows.length > 1 && (
                    <Button
                      type="link"
                      size="small"
                      aria-label={`Take out ${of}`}
                      onClick={() => setRows(rows.filter((_, index) => index !== at))}
                    >
                      take out
                    </Button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {zone && (
        <Button size="small" onClick={() => setRows([...rows, unplanned()])}>
          Other water beside it
        </Button>
      )}
    </EditDialog>
  );
}

function rounded(value: number): number {
  return Number(value.toPrecision(4));
}

function faultOf({ zoneName, start, minutes, litres }: Row, several: boolean): string | null {
  const who = several ? `${zoneName}, ` : "";
  if (!/^\d\d:\d\d/.test(start)) return `${who}the start is empty; type a clock time, as 08:15.`;
  if (!minutes || minutes <= 0) return `${who}${start}: how long was the valve open? Type more than 0 minutes.`;
  if (!litres || litres <= 0) return `${who}${start}: how much was given? Type more than 0, or take the line out.`;
  return null;
}

function wateringOf({ zoneId, start, minutes, litres, planned }: Row, date: string, timeZone: string): NewWatering {
  const startUtc =
    planned?.start === start
      ? planned.startUtc
      : new Date(instantOf(date, clockSeconds(start, "start"), timeZone)).toISOString();
  return { zoneId, startUtc, minutes: minutes ?? 0, litres: litres ?? 0 };
}
