import { newCatchTestSchema } from "@sprunel/contract/irrigation";
import Button from "antd/es/button";
import InputNumber from "antd/es/input-number";
import { useState } from "react";
import { useBoard } from "../place/use-board.ts";
import { EditDialog } from "../forms/edit-dialog.tsx";
import { faultsOf } from "../forms/form-errors.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import styles from "./drip-lines.module.css";
import { useAddCatchTest } from "./use-drip-lines.ts";
import { DateInput } from "../forms/date-input.tsx";
import { newKey } from "../forms/new-key.ts";

type Grid = readonly (readonly (number | null)[])[];
const EMPTY: Grid = Array.from({ length: 4 }, () => [null, null, null, null]);

/** Volumes as they stand on the ground: a row for each line, from its inlet to its end. */
export function CatchTestDialog({ zoneId, onClose }: { zoneId: number; onClose(): void }) {
  const today = useBoard(null).data?.today ?? "";
  const [key] = useState(newKey);
  const [testedOn, setTestedOn] = useState(today);
  const [minutes, setMinutes] = useState<number | null>(5);
  const [grid, setGrid] = useState<Grid>(EMPTY);
  const [faults, setFaults] = useState<readonly string[]>([]);
  const add = useAddCatchTest(zoneId);
  const set = (line: number, place: number, value: number | null): void =>
    setGrid(grid.map((row, at) => (at === line ? row.map((old, spot) => (spot === place ? value : old)) : row)));
  const save = (): void => {
    const catchesMl = grid.map((row) => row.map((value) => value ?? undefined));
    const parsed = newCatchTestSchema.safeParse({ key, testedOn, minutes: minutes ?? undefined, catchesMl });
    if (!parsed.success) {
      setFaults([...new Set(faultsOf(parsed.error).map(({ path, message }) => placeWords(path) + message))]);
      return;
    }
    setFaults([]);
    add.mutate(parsed.data, { onSuccess: onClose });
  };
  return (
    <EditDialog title="Catch-can test" width={620} saving={add} faults={faults} onSave={save} onClose={onClose}>
      <div className={styles["testHead"]}>
        <label>
          Tested on
          <DateInput value={testedOn} until={today} onChange={(date) => setTestedOn(date ?? "")} />
        </label>
        <label>
          Each can stood for
          <QuantityInput label="Minutes" unit="min" value={minutes} onChange={setMinutes} />
        </label>
      </div>
      <table className={styles["grid"]}>
        <thead>
          <tr>
            <th scope="col">mL</th>
            {grid[0]?.map((_, place) => (
              <th key={place} scope="col">
                {place === 0 ? "inlet" : place === (grid[0]?.length ?? 0) - 1 ? "end" : place + 1}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {grid.map((row, line) => (
            <tr key={line}>
              <th scope="row">line {line + 1}</th>
              {row.map((value, place) => (
                <td key={place}>
                  <InputNumber
                    controls={false}
                    min={0}
                    aria-label={`Line ${line + 1}, place ${place + 1}, mL`}
                    value={value}
                    onChange={(typed) => set(line, place, typed)}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <div className={styles["testHead"]}>
        <Button size="small" onClick={() => setGrid([...grid, (grid[0] ?? []).map(() => null)])}>
          One line more
        </Button>
        <Button size="small" onClick={() => setGrid(grid.map((row) => [...row, null]))}>
          One place more
        </Button>
      </div>
    </EditDialog>
  );
}

/** `catchesMl.1.2` as the place on the ground. */
function placeWords(path: string): string {
  const [field, line, place] = path.split(".");
  return field === "catchesMl" && place !== undefined ? `Line ${Number(line) + 1}, place ${Number(place) + 1}: ` : "";
}
