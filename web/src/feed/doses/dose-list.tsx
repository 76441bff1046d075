import { Told } from "../../units/told.ts";
import type { DosePlan, PlannedDose } from "@sprunel/contract/feed";
import Segmented from "antd/es/segmented";
import { useState } from "react";
import { Faults } from "../../forms/faults.tsx";
import { faultsOf } from "../../forms/form-errors.ts";
import tables from "../../theme/tables.module.css";
import { Amount, useUnits } from "../../units/use-units.tsx";
import { partsOf, WHOLE, type Part } from "./bags.tsx";
import { DigestateRow, DoseRow } from "./dose-row.tsx";
import styles from "./doses.module.css";
import { useTakeDoseBack } from "./use-doses.ts";

/** Every dose of the planting in order of time, with its bags, and what became of it. */
export function DoseList({ plan, today }: { plan: DosePlan; today: string }) {
  const { show } = useUnits();
  const [opened, setOpened] = useState<string | null>(null);
  const parts = partsOf(plan);
  const [part, setPart] = useState<Part>(WHOLE);
  const back = useTakeDoseBack(plan.zoneId);
  const rows = [...plan.doses, ...plan.digestates].sort((a, b) => a.on.localeCompare(b.on));
  // What is wrong with the way into the water is wrong with most of them: it is told once.
  const told = new Set<string>();
  const newIn = ({ injection }: PlannedDose): readonly string[] => {
    const fresh = (injection?.warnings ?? []).filter((warning) => !told.has(warning));
    for (const warning of fresh) told.add(warning);
    return fresh;
  };
  const keyOf = ({ on, basal, record }: PlannedDose): string => `${on} ${basal} ${record?.id ?? ""}`;
  return (
    <section aria-label="Calendar of doses">
      <h2>Doses</h2>
      {parts.length > 1 && (
        <div className={styles["per"]}>
          bags for{" "}
          <Segmented
            aria-label="Bags for"
            value={part.name}
            options={parts.map(({ name }) => name)}
            onChange={(name) => setPart(parts.find((one) => one.name === name) ?? part)}
          />
        </div>
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
                warnings={newIn(row)}
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
      {plan.digestateCaps.map(({ name, m3, boundBy }) => (
        <p key={name} className={m3 > 0 ? "quiet" : "act"}>
          {name}: <Amount quantity="bulk" value={m3} /> may still be given before more {boundBy} came with it than the
          crop takes up.
        </p>
      ))}
      {plan.unmet.map(({ nutrient, kgHa, reason }) => (
        <p key={`${nutrient} ${reason}`} className="act">
          <Amount quantity="perLand" value={kgHa} /> of {nutrient} cannot be given: <Told>{reason}</Told>.
        </p>
      ))}
      {plan.warnings.map((warning) => (
        <p key={warning} className="quiet">
          <Told>{warning}</Told>
        </p>
      ))}
    </section>
  );
}
