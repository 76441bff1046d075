import type { DayPulse, SiteDay } from "@sprunel/contract/plan";
import type { Board } from "@sprunel/contract/today";
import Button from "antd/es/button";
import Segmented from "antd/es/segmented";
import { useState } from "react";
import { Link } from "react-router";
import { clockAt } from "../../place/clock-at.ts";
import { useDates } from "../../units/dates.tsx";
import { useUnits } from "../../units/use-units.tsx";
import styles from "./clock-sheet.module.css";
import { DayFrame } from "./day-frame.tsx";
import { minutesOf } from "./minutes-of.ts";

const ORDERS = ["by time", "by valve"] as const;
const PAPERS = ["A4", "Letter"] as const;
const WHOSE = ["every valve", "by hand"] as const;

/** The day on paper, for somebody with a watch and hand valves: what to open when, for how long, and a box to tick. */
export function ClockSheetPage() {
  return <DayFrame>{(board, day) => <Sheet board={board} day={day} />}</DayFrame>;
}

function Sheet({ board, day }: { board: Board; day: SiteDay }) {
  const dates = useDates();
  const [order, setOrder] = useState<(typeof ORDERS)[number]>("by time");
  const [paper, setPaper] = useState<(typeof PAPERS)[number]>("A4");
  const hands = day.pulses.some(({ byHand }) => byHand);
  const [whose, setWhose] = useState<(typeof WHOSE)[number]>("every valve");
  const pulses = day.pulses.filter(({ byHand }) => whose === "every valve" || byHand);
  const dry = day.zones.filter(
    ({ zoneId, litres, excluded }) =>
      !excluded && litres !== null && !day.pulses.some((pulse) => pulse.zoneId === zoneId),
  );
  const shut = day.zones.filter(({ excluded }) => excluded);
  return (
    <article className={styles["sheet"]} data-paper={paper}>
      <style>{`@page { size: ${paper}; margin: 12mm; }`}</style>
      <nav className={styles["tools"]}>
        <Link to={board.date === board.today ? "/run" : `/run?date=${board.date}`}>Back to Run</Link>
        <Segmented aria-label="Order" value={order} options={[...ORDERS]} onChange={setOrder} />
        {hands && <Segmented aria-label="Whose valves" value={whose} options={[...WHOSE]} onChange={setWhose} />}
        <Segmented aria-label="Paper" value={paper} options={[...PAPERS]} onChange={setPaper} />
        <Button type="primary" onClick={() => window.print()}>
          Print
        </Button>
      </nav>
      <header>
        <h1>Water for {dates.show(board.date, "whole")}</h1>
        <p>{board.site?.name} · given by ______________________ · what was otherwise: write it beside</p>
        {board.weatherSimulated && (
          <p>
            <strong>The weather behind these times is simulated:</strong> nobody measured it.
          </p>
        )}
      </header>
      {pulses.length === 0 && <p>No water is planned on this day.</p>}
      {order === "by time" ? (
        <ByTime pulses={pulses} timeZone={board.site?.timeZone ?? "UTC"} />
      ) : (
        <ByValve pulses={pulses} timeZone={board.site?.timeZone ?? "UTC"} />
      )}
      {day.unmet.length > 0 && (
        <p className={styles["note"]}>
          <strong>Not all of it fits:</strong> {[...new Set(day.unmet.map(({ name }) => name))].join(", ")}.
        </p>
      )}
      {shut.length > 0 && <p className={styles["note"]}>Shut today: {shut.map(({ name }) => name).join(", ")}.</p>}
      {dry.length > 0 && whose === "every valve" && (
        <p className={styles["note"]}>No water needed: {dry.map(({ name }) => name).join(", ")}.</p>
      )}
    </article>
  );
}

interface Action {
  readonly ms: number;
  readonly opens: boolean;
  readonly pulse: DayPulse;
}

/** Every opening, and of hand valves every closing, one below the other as the clock goes. */
function ByTime({ pulses, timeZone }: { pulses: readonly DayPulse[]; timeZone: string }) {
  const actions = pulses
    .flatMap((pulse): Action[] => [
      { ms: Date.parse(pulse.startUtc), opens: true, pulse },
      ...(pulse.byHand ? [{ ms: Date.parse(pulse.endUtc), opens: false, pulse }] : []),
    ])
    .sort((a, b) => a.ms - b.ms);
  if (actions.length === 0) return null;
  return (
    <table className={styles["times"]}>
      <thead>
        <tr>
          <th scope="col" aria-label="done" />
          <th scope="col">at</th>
          <th scope="col">valve</th>
          <th scope="col">for</th>
          <th scope="col">litres</th>
          <th scope="col">really</th>
        </tr>
      </thead>
      <tbody>
        {actions.map(({ ms, opens, pulse }) => (
          <tr key={`${pulse.id} ${opens ? "open" : "close"}`}>
            <td>
              <span className={pulse.state === "given" ? styles["done"] : styles["box"]} />
            </td>
            <td>
              <strong>{clockAt(ms, timeZone)}</strong>
            </td>
            <td>
              {opens ? "open " : "close "}
              <strong>{pulse.name}</strong>
              <What pulse={pulse} />
            </td>
            <td>{opens && `until ${clockAt(pulse.endUtc, timeZone)}, ${minutesOf(pulse)} min`}</td>
            <td>{opens && <Litres value={pulse.litres} />}</td>
            <td className={styles["really"]} />
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function ByValve({ pulses, timeZone }: { pulses: readonly DayPulse[]; timeZone: string }) {
  const names = [...new Set(pulses.map(({ name }) => name))];
  return names.map((name) => {
    const own = pulses.filter((pulse) => pulse.name === name);
    return (
      <section key={name}>
        <h2>
          {name}
          <span>
            <Litres value={own.reduce((sum, { litres }) => sum + litres, 0)} />
            {own[0]?.byHand && ", by hand"}
          </span>
        </h2>
        <ul>
          {own.map((pulse) => (
            <li key={pulse.id}>
              <span className={pulse.state === "given" ? styles["done"] : styles["box"]} />
              <strong>{clockAt(pulse.startUtc, timeZone)}</strong>
              <span>
                {minutesOf(pulse)} min · <Litres value={pulse.litres} />
                {pulse.state === "given" && ", given"}
                <What pulse={pulse} />
              </span>
            </li>
          ))}
        </ul>
      </section>
    );
  });
}

function What({ pulse: { dose } }: { pulse: DayPulse }) {
  return dose === null ? null : <em> with its dose</em>;
}

function Litres({ value }: { value: number }) {
  const { text, unit } = useUnits().show("volume", value);
  return (
    <>
      {text} {unit}
    </>
  );
}
