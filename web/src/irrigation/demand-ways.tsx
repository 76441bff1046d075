import type { DemandWays as Ways } from "@sprunel/contract/plan";
import Button from "antd/es/button";
import { Outline } from "../parts/outline.tsx";
import { useState } from "react";
import { ProblemNote } from "../parts/problem.tsx";
import { usePlace } from "../place/use-place.ts";
import tables from "../theme/tables.module.css";
import { QuantityInput } from "../units/quantity-input.tsx";
import { useUnits } from "../units/use-units.tsx";
import styles from "./demand-ways.module.css";
import { useChooseDemandWay, useDemandWays } from "./use-demand-ways.ts";

type Method = Ways["usual"];
type Choice = Ways["choice"];

const WORDS: Readonly<Record<Method, readonly [name: string, holds: string]>> = {
  baille: ["Light and dry air on the canopy", "under cover, for crops whose figures are known"],
  "big-leaf": ["All leaves as one, with their stomata", "under cover; found for tomato"],
  "house-penman-monteith": ["Still air of a house, times Kc", "in soil under plastic or glass"],
  "fao56-single": ["Open field, times Kc", "where wind and sky reach the crop"],
  "fao56-dual": ["Open field, crop and wet soil apart", "drip on ground that lies partly bare"],
  "radiation-sum": ["So much water for a sum of light", "once it was fitted to this zone"],
  pan: ["What evaporates from a pan, times Kc", "read it every morning"],
  own: ["Your own litres", "whatever the weather"],
};

/** Every way to this zone's demand: what each says today, and how it has kept to the meter. */
export function DemandWays({ zoneId }: { zoneId: number }) {
  const { date } = usePlace();
  const ways = useDemandWays(zoneId, date);
  const choose = useChooseDemandWay(zoneId);
  if (ways.isError && !ways.data) return <ProblemNote error={ways.error} onRetry={() => void ways.refetch()} />;
  if (!ways.data) return <Outline />;
  const { version, meteredDays } = ways.data;
  const count = (next: Choice): void => choose.mutate({ version, choice: next });
  return (
    <section aria-label="Ways to the demand" className={styles["ways"]}>
      <p className="quiet">
        {meteredDays === 0
          ? "Nothing tells yet what this zone’s plants took up: log the water given and the drain of some days."
          : `Against what the plants took up on ${meteredDays} days of the last four weeks, by water given and drain.`}
      </p>
      <div className={tables["scroll"]} tabIndex={0} role="region" aria-label="Demand by each way">
        <Table ways={ways.data} busy={choose.isPending} onCount={count} />
      </div>
      <Own onCount={count} busy={choose.isPending} />
      {choose.isError && <ProblemNote error={choose.error} />}
    </section>
  );
}

function Table({ ways, busy, onCount }: { ways: Ways; busy: boolean; onCount(choice: Choice): void }) {
  const { show } = useUnits();
  const { choice, usual } = ways;
  const inForce = choice?.method ?? usual;
  const depth = (mm: number | null): string => {
    if (mm === null) return "–";
    const { text, unit } = show("waterDepth", mm);
    return `${text} ${unit}`;
  };
  return (
    <table className={tables["table"]}>
      <thead>
        <tr>
          <th scope="col">way</th>
          <th scope="col">this day</th>
          <th scope="col">against the meter</th>
          <th scope="col">off on a day by</th>
          <th scope="col">fits times</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {ways.ways.map(({ method, demandMm, biasPct, errorMm, factor }) => {
          const [name, holds] = WORDS[method];
          const isFitted = factor !== null && Math.abs(factor - 1) > 0.02;
          return (
            <tr key={method} className={method === inForce ? (styles["inForce"] ?? "") : ""}>
              <td>
                {name}
                <span className={styles["holds"]}>{holds}</span>
              </td>
              <td>{depth(demandMm)}</td>
              <td>{biasPct === null ? "–" : `${biasPct < 0 ? "−" : "+"}${Math.abs(biasPct).toFixed(0)} %`}</td>
              <td>{depth(errorMm)}</td>
              <td>{factor === null ? "–" : factor.toFixed(2)}</td>
              <td>
                {method === inForce ? (
                  <span className={styles["now"]}>
                    counts now{choice?.fittedFactor === undefined ? "" : `, times ${choice.fittedFactor.toFixed(2)}`}
                  </span>
                ) : (
                  <Button disabled={busy} onClick={() => onCount(method === usual ? null : { method })}>
                    Count on it
                  </Button>
                )}
                {isFitted && choice?.fittedFactor?.toFixed(2) !== factor.toFixed(2) && (
                  <Button
                    disabled={busy}
                    onClick={() =>
                      onCount({
                        ...(choice?.method === method && choice),
                        method,
                        fittedFactor: Number(factor.toFixed(3)),
                      })
                    }
                  >
                    Count on it, fitted
                  </Button>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** The ways that need a figure of the grower's own. */
function Own({ busy, onCount }: { busy: boolean; onCount(choice: Choice): void }) {
  const [mlPerJCm2, setLight] = useState<number | null>(null);
  const [ownMm, setOwn] = useState<number | null>(null);
  const [panMm, setPan] = useState<number | null>(null);
  const [panCoefficient, setCoefficient] = useState<number | null>(null);
  return (
    <div className={styles["own"]}>
      <label>
        By the sum of light
        <QuantityInput label="Water for a sum of light" unit="mL/m² per J/cm²" value={mlPerJCm2} onChange={setLight} />
      </label>
      <Button
        disabled={busy || mlPerJCm2 === null}
        onClick={() => mlPerJCm2 !== null && onCount({ method: "radiation-sum", mlPerJCm2 })}
      >
        Count on light
      </Button>
      <label>
        Gone from the pan in a day
        <QuantityInput label="Gone from the pan in a day" quantity="rain" value={panMm} onChange={setPan} />
      </label>
      <label>
        Pan coefficient
        <QuantityInput label="Pan coefficient" unit="" value={panCoefficient} onChange={setCoefficient} />
      </label>
      <Button
        disabled={busy || panMm === null || panCoefficient === null}
        onClick={() => panMm !== null && panCoefficient !== null && onCount({ method: "pan", panMm, panCoefficient })}
      >
        Count on the pan
      </Button>
      <label>
        Your own figure
        <QuantityInput label="Your own figure of a day" quantity="waterDepth" value={ownMm} onChange={setOwn} />
      </label>
      <Button disabled={busy || ownMm === null} onClick={() => ownMm !== null && onCount({ method: "own", ownMm })}>
        Count on mine
      </Button>
    </div>
  );
}
