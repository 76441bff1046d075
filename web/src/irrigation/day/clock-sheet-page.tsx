import type { Board, BoardZone } from "@sprunel/contract/today";
import Button from "antd/es/button";
import { Link } from "react-router";
import { ProblemNote } from "../../http/problem.tsx";
import { clockAt } from "../../place/clock-at.ts";
import { useBoard } from "../../place/use-board.ts";
import { usePlace } from "../../place/use-place.ts";
import { showDigits } from "../../units/show.ts";
import { SiteWays } from "../../place/site-ways.tsx";
import { useUnits } from "../../units/use-units.tsx";
import styles from "./clock-sheet.module.css";
import { useDates } from "../../units/dates.tsx";

/** The day on paper: every zone's starts with minutes and litres, and a box to tick once it was given. */
export function ClockSheetPage() {
  const { date } = usePlace();
  const board = useBoard(date);
  if (board.isError && !board.data) return <ProblemNote error={board.error} onRetry={() => void board.refetch()} />;
  if (!board.data) return null;
  return (
    <SiteWays site={board.data.site}>
      <Sheet board={board.data} />
    </SiteWays>
  );
}

function Sheet({ board }: { board: Board }) {
  const dates = useDates();
  const watered = board.zones.filter(({ pulses }) => pulses.length > 0);
  const dry = board.zones.filter(({ pulses, missing }) => pulses.length === 0 && !missing);
  return (
    <article className={styles["sheet"]}>
      <nav className={styles["tools"]}>
        <Link to={board.date === board.today ? "/run" : `/run?date=${board.date}`}>Back to Run</Link>
        <Button type="primary" onClick={() => window.print()}>
          Print
        </Button>
      </nav>
      <header>
        <h1>Water for {dates.show(board.date, "whole")}</h1>
        <p>
          {board.site?.name} · given by ______________________ · a time that is over the pump or was changed: write it
          beside
        </p>
        {board.weatherSimulated && (
          <p>
            <strong>The weather behind these times is simulated:</strong> nobody measured it.
          </p>
        )}
      </header>
      {watered.map((zone) => (
        <ZoneTimes key={zone.id} zone={zone} timeZone={board.site?.timeZone ?? "UTC"} />
      ))}
      {watered.length === 0 && <p>No water is planned on this day.</p>}
      {dry.length > 0 && <p>No water needed: {dry.map(({ name }) => name).join(", ")}.</p>}
    </article>
  );
}

function ZoneTimes({ zone, timeZone }: { zone: BoardZone; timeZone: string }) {
  const { show } = useUnits();
  const total = show(
    "volume",
    zone.pulses.reduce((sum, { litres }) => sum + litres, 0),
  );
  return (
    <section>
      <h2>
        {zone.name}
        <span>
          {zone.house} · {total.text} {total.unit}
        </span>
      </h2>
      <ul>
        {zone.pulses.map((pulse) => {
          const litres = show("volume", pulse.litres);
          const minutes = (Date.parse(pulse.endUtc) - Date.parse(pulse.startUtc)) / 60_000;
          return (
            <li key={pulse.startUtc}>
              <span className={pulse.state === "logged" ? styles["done"] : styles["box"]} />
              <strong>{clockAt(pulse.startUtc, timeZone)}</strong>
              <span>
                {showDigits(minutes)} min · {litres.text} {litres.unit}
                {pulse.state === "logged" && ", given"}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
