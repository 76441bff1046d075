import type { ZoneDayAnswer } from "@sprunel/contract/plan";
import { clockAt } from "../place/clock-at.ts";
import { showDigits } from "../units/show.ts";
import { useUnits } from "../units/use-units.tsx";
import styles from "./run.module.css";

/** The day's pulses at clock times: what was given and what is planned. */
export function PulseList({ day, timeZone }: { day: ZoneDayAnswer; timeZone: string }) {
  const { show } = useUnits();
  if (day.pulses.length === 0) return <p className="quiet">No water on this day.</p>;
  const unit = show("volume", 1).unit;
  return (
    <table className={styles["pulses"]}>
      <thead>
        <tr>
          <th scope="col">start</th>
          <th scope="col">min</th>
          <th scope="col">{unit}</th>
          <th scope="col">state</th>
        </tr>
      </thead>
      <tbody>
        {day.pulses.map((pulse) => (
          <tr key={pulse.startUtc}>
            <td>{clockAt(pulse.startUtc, timeZone)}</td>
            <td>{showDigits((Date.parse(pulse.endUtc) - Date.parse(pulse.startUtc)) / 60_000)}</td>
            <td>{show("volume", pulse.litres).text}</td>
            <td className="quiet">{pulse.state === "logged" ? "given" : "planned"}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
