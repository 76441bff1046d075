import type { Reading } from "@sprunel/contract/rootzone";
import { ProblemNote } from "../parts/problem.tsx";
import { clockAt } from "../place/clock-at.ts";
import { dateAt } from "../place/date-at.ts";
import { StrikeOut } from "../parts/strike-out.tsx";
import tables from "../theme/tables.module.css";
import { useUnits } from "../units/use-units.tsx";
import type { ReadingField } from "../systems/reading-field.ts";
import { useStrike } from "./use-readings.ts";
import { useDates } from "../units/dates.tsx";

const SHOWN = 10;

/** The newest readings; one that was wrong is struck out with its reason, never erased. */
export function ReadingTable({
  readings,
  fields,
  timeZone,
  zoneId,
}: {
  readings: readonly Reading[];
  fields: readonly ReadingField[];
  timeZone: string;
  zoneId: number;
}) {
  const dates = useDates();
  const strike = useStrike(zoneId);
  const { show } = useUnits();
  const figure = (value: number | null, { quantity, digits }: ReadingField): string =>
    value === null ? "–" : quantity ? show(quantity, value).text : value.toFixed(digits);
  // What was never read takes no column.
  const read = fields.filter(({ key }) => readings.some((reading) => reading[key] !== null));
  return (
    <div className={tables["scroll"]} tabIndex={0} role="region" aria-label="Readings">
      {strike.isError && <ProblemNote error={strike.error} />}
      <table className={tables["table"]}>
        <thead>
          <tr>
            <th scope="col">read</th>
            {read.map(({ key, label, unit, quantity }) => (
              <th key={key} scope="col">
                {label}
                {quantity ? `, ${show(quantity, 0).unit}` : unit && `, ${unit}`}
              </th>
            ))}
            <th scope="col" />
          </tr>
        </thead>
        <tbody>
          {[...readings]
            .reverse()
            .slice(0, SHOWN)
            .map((reading) => (
              <tr key={reading.at} className={reading.struck === null ? undefined : tables["struck"]}>
                <td>
                  {dateAt(reading.at, timeZone, dates)} {clockAt(reading.at, timeZone)}
                </td>
                {read.map((field) => (
                  <td key={field.key}>{figure(reading[field.key], field)}</td>
                ))}
                <td>
                  {reading.struck === null ? (
                    <StrikeOut
                      what="reading"
                      example="pen not calibrated"
                      onStrike={(reason) => strike.mutate({ at: reading.at, reason })}
                    />
                  ) : (
                    <span className="quiet">{reading.struck}</span>
                  )}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
    </div>
  );
}
