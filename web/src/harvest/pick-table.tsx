import type { SoldAs } from "@sprunel/contract/basics";
import type { Pick } from "@sprunel/contract/harvest";
import { ProblemNote } from "../parts/problem.tsx";
import { StrikeOut } from "../parts/strike-out.tsx";
import { Amount } from "../units/use-units.tsx";
import tables from "../theme/tables.module.css";
import { useStrikePick } from "./use-harvest.ts";
import { useDates } from "../units/dates.tsx";

const SHOWN = 12;

/** The newest picks; one that was wrong is struck out with its reason, never erased. */
export function PickTable({ picks, soldAs, zoneId }: { picks: readonly Pick[]; soldAs: SoldAs; zoneId: number }) {
  const dates = useDates();
  const strike = useStrikePick(zoneId);
  return (
    <>
      {strike.isError && <ProblemNote error={strike.error} />}
      <table className={tables["table"]}>
        <thead>
          <tr>
            <th scope="col">picked</th>
            <th scope="col">mass</th>
            <th scope="col">{soldAs.kind === "piece" ? soldAs.many : "fruit"}</th>
            <th scope="col">each</th>
            <th scope="col">Brix</th>
            <th scope="col">grade</th>
            <th scope="col" />
          </tr>
        </thead>
        <tbody>
          {picks.slice(0, SHOWN).map((pick) => (
            <tr key={pick.id} className={pick.struck === null ? undefined : tables["struck"]}>
              <td>
                {dates.show(pick.pickedOn, "weekday")} {pick.clock}
              </td>
              <td>{pick.massKg === null ? "–" : <Amount quantity="mass" value={pick.massKg} />}</td>
              <td>{pick.count ?? "–"}</td>
              <td>
                {pick.count === null || pick.massKg === null ? (
                  "–"
                ) : (
                  <Amount quantity="smallMass" value={(1000 * pick.massKg) / pick.count} />
                )}
              </td>
              <td>{pick.brixPct === null ? "–" : `${pick.brixPct} %`}</td>
              <td>{pick.grade ?? "–"}</td>
              <td>
                {pick.struck === null ? (
                  <StrikeOut
                    what="pick"
                    example="weighed with the crates"
                    onStrike={(reason) => strike.mutate({ id: pick.id, reason })}
                  />
                ) : (
                  <span className="quiet">{pick.struck}</span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
