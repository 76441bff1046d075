import type { SiteDay } from "@sprunel/contract/plan";
import type { Board } from "@sprunel/contract/today";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { clockAt } from "../../place/clock-at.ts";
import tables from "../../theme/tables.module.css";
import { useUnits } from "../../units/use-units.tsx";
import styles from "./run-of-all.module.css";

/** Within so much of the plan a zone ran as planned. */
const AS_PLANNED = 0.03;

interface Ran {
  readonly zoneId: number;
  readonly name: string;
  readonly plannedL: number;
  readonly givenL: number;
  readonly due: number;
  readonly missed: number;
  readonly pulses: number;
}

/** What was given against what was planned, of every zone whose pulses are over. */
export function AsItRan({
  board,
  day,
  onGiven,
}: {
  board: Board;
  day: SiteDay;
  onGiven(zone: { readonly id: number; readonly name: string }): void;
}) {
  const { show } = useUnits();
  if (board.date > board.today) return null;
  const zones = day.zones.flatMap(({ zoneId, name }): Ran[] => {
    const over = day.pulses.filter(
      (pulse) => pulse.zoneId === zoneId && pulse.state !== "ahead" && pulse.state !== "running",
    );
    // Water beside the plan is told below, with its time.
    if (over.length === 0) return [];
    const given = over.flatMap((pulse) => pulse.given ?? []);
    return [
      {
        ...{ zoneId, name, pulses: over.length },
        plannedL: over.reduce((sum, { litres }) => sum + litres, 0),
        givenL: given.reduce((sum, { litres }) => sum + litres, 0),
        due: over.filter(({ state }) => state === "due").length,
        missed: over.filter(({ state }) => state === "missed").length,
      },
    ];
  });
  const off = zones.filter(
    ({ plannedL, givenL, due, missed }) => due + missed > 0 || Math.abs(givenL - plannedL) > AS_PLANNED * plannedL,
  );
  const rest = zones.length - off.length;
  return (
    <section aria-label="As it ran" className={styles["ran"]}>
      <h2>As it ran</h2>
      {zones.length === 0 && day.beside.length === 0 && <p className="quiet">No pulse of this day is over yet.</p>}
      {off.length > 0 && (
        <table className={tables["table"]}>
          <thead>
            <tr>
              <th scope="col">zone</th>
              <th scope="col">planned</th>
              <th scope="col">given</th>
              <th scope="col">difference</th>
              <th scope="col">not said yet</th>
              <th scope="col">not given</th>
              <th scope="col" aria-label="what may be done" />
            </tr>
          </thead>
          <tbody>
            {off.map((ran) => (
              <tr key={ran.zoneId}>
                <td>{ran.name}</td>
                <td>{litres(show, ran.plannedL)}</td>
                <td>{ran.due === ran.pulses && ran.givenL === 0 ? "–" : litres(show, ran.givenL)}</td>
                <td>
                  {ran.due === 0 && ran.plannedL > 0
                    ? `${ran.givenL >= ran.plannedL ? "+" : "−"}${Math.abs((100 * (ran.givenL - ran.plannedL)) / ran.plannedL).toFixed(0)} %`
                    : "–"}
                </td>
                <td>{ran.due > 0 ? `${ran.due} of ${ran.pulses} pulses` : "–"}</td>
                <td>{ran.missed > 0 ? `${ran.missed} pulses` : "–"}</td>
                <td>
                  <Button
                    size="small"
                    aria-label={`Log water: ${ran.name}`}
                    onClick={() => onGiven({ id: ran.zoneId, name: ran.name })}
                  >
                    log
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {rest > 0 && (
        <p>
          {off.length === 0 ? "Every zone" : `${rest} other ${rest === 1 ? "zone" : "zones"}`} within 3 % of the plan so
          far.
        </p>
      )}
      <Select
        id="log-other-water"
        aria-label="Log other water"
        placeholder="log other water of a zone"
        className="select-m"
        value={null}
        options={day.zones.map(({ zoneId, name }) => ({ value: zoneId, label: name }))}
        onChange={(id: number | null) => {
          const zone = day.zones.find(({ zoneId }) => zoneId === id);
          if (zone) onGiven({ id: zone.zoneId, name: zone.name });
        }}
      />
      {day.beside.length > 0 && (
        <p className="quiet">
          Beside the plan:{" "}
          {day.beside
            .map(
              ({ name, startUtc, litres: given }) =>
                `${name} ${litres(show, given)} at ${clockAt(startUtc, board.site?.timeZone ?? "UTC")}`,
            )
            .join(", ")}
          .
        </p>
      )}
    </section>
  );
}

function litres(show: ReturnType<typeof useUnits>["show"], value: number): string {
  const { text, unit } = show("volume", value);
  return `${text} ${unit}`;
}
