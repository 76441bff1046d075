import type { Board } from "@sprunel/contract/today";
import { addDays } from "@sprunel/core/time";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { clockAt } from "../place/clock-at.ts";
import styles from "./shell.module.css";
import { usePlace } from "../place/use-place.ts";
import { showDigits } from "../units/show.ts";
import { useDates } from "../units/dates.tsx";
import { isForeseen } from "../words/is-foreseen.ts";

/** Whether two dates (YYYY-MM-DD) are of one year. */
function sameYear(a: string, b: string): boolean {
  return a.slice(0, 4) === b.slice(0, 4);
}

/** The day that is looked at, one step either way, and its sun. */
export function DateStepper({ board, children }: { board: Board | undefined; children: ReactNode }) {
  const dates = useDates();
  const { go, date } = usePlace();
  if (!board?.site)
    return (
      <>
        <div className={styles["dates"]} />
        {children}
        <div />
      </>
    );
  const shown = date ?? board.today;
  const step = (days: number): void => {
    const next = addDays(shown, days);
    go({ date: next === board.today ? null : next });
  };
  const known = board.date === shown ? board.hours.flatMap((hour) => hour.radiationMjM2 ?? []) : [];
  const sum = known.reduce((total, value) => total + value, 0);
  const foreseen = board.hours.some(isForeseen);
  const beyond = board.hours.some(({ origin }) => origin === "again");
  return (
    <>
      <div className={styles["dates"]}>
        <button type="button" className={styles["button"]} onClick={() => step(-1)} aria-label="The day before">
          ‹
        </button>
        <span>{dates.show(shown, sameYear(shown, board.today) ? "weekday" : "weekday-year")}</span>
        <button type="button" className={styles["button"]} onClick={() => step(1)} aria-label="The day after">
          ›
        </button>
        {shown !== board.today && (
          <button type="button" className={styles["button"]} onClick={() => go({ date: null })}>
            today
          </button>
        )}
      </div>
      {children}
      <div
        className={styles["sun"]}
        title={`Sunrise, sunset, and the day's radiation outside, ${foreseen ? "partly foreseen" : "measured"}`}
      >
        {beyond ? (
          <span title="No forecast reaches this day. It is planned by the weather of the last two weeks again, with the light of this day’s sun.">
            no forecast yet
          </span>
        ) : board.weatherSimulated ? (
          <Link
            to="/weather"
            className={styles["simulated"]}
            title="Nobody measured this weather: a simulated station made it up, and every plan rests on it. Import your station’s file."
          >
            simulated weather
          </Link>
        ) : (
          <>
            {board.sun &&
              `${clockAt(board.sun.riseUtc, board.site.timeZone)}–${clockAt(board.sun.setUtc, board.site.timeZone)}`}
            {known.length > 0 && ` · ${showDigits(sum)} MJ/m²`}
          </>
        )}
      </div>
    </>
  );
}
