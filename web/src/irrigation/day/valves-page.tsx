import type { DayPulse, SiteDay } from "@sprunel/contract/plan";
import type { Board } from "@sprunel/contract/today";
import Button from "antd/es/button";
import Segmented from "antd/es/segmented";
import { useState } from "react";
import { Link } from "react-router";
import { ProblemNote } from "../../parts/problem.tsx";
import { clockAt } from "../../place/clock-at.ts";
import { usePlace } from "../../place/use-place.ts";
import { useDates } from "../../units/dates.tsx";
import { showDigits } from "../../units/show.ts";
import { Amount } from "../../units/use-units.tsx";
import { useAddWaterings } from "../use-waterings.ts";
import { DayFrame } from "./day-frame.tsx";
import { minutesOf } from "./minutes-of.ts";
import { useEditDay } from "./use-site-day.ts";
import styles from "./valves-page.module.css";

/** So much before its time a valve is told as the next one to walk to. */
const SOON_MS = 30 * 60_000;
const WHOSE = ["by hand", "all"] as const;

/** For the phone in a pocket: what is open now, what is next, and one tap for what was given. */
export function ValvesPage() {
  return <DayFrame>{(board, day) => <Valves board={board} day={day} />}</DayFrame>;
}

function Valves({ board, day }: { board: Board; day: SiteDay }) {
  const hands = day.pulses.some(({ byHand }) => byHand);
  const [whose, setWhose] = useState<(typeof WHOSE)[number]>(hands ? "by hand" : "all");
  const nowMs = Date.parse(day.now);
  const pulses = day.pulses.filter(({ byHand, zoneId }) => zoneId !== null && (whose === "all" || byHand));
  const running = pulses.filter(({ state }) => state === "running");
  const due = pulses.filter(({ state }) => state === "due");
  const ahead = pulses.filter(({ state }) => state === "ahead");
  const [next] = ahead;
  const soon = next?.byHand && Date.parse(next.startUtc) - nowMs <= SOON_MS;
  const timeZone = board.site?.timeZone ?? "UTC";
  const dates = useDates();
  const parts = { timeZone, nowMs, day };
  return (
    <main className={styles["page"]}>
      <header className={styles["head"]}>
        <h1>My valves</h1>
        <strong>{board.date === board.today ? clockAt(day.now, timeZone) : dates.show(board.date, "weekday")}</strong>
        <Link to="/run">the whole day</Link>
      </header>
      {hands && <Segmented block aria-label="Whose valves" value={whose} options={[...WHOSE]} onChange={setWhose} />}
      <Part name="Open now" pulses={running} {...parts} empty="Nothing is open." />
      {due.length > 0 && <Part name="Was it given?" pulses={due} {...parts} />}
      <Part
        name={soon ? "Next: walk to it now" : "Next"}
        pulses={next ? [next] : []}
        {...parts}
        empty="Nothing more is planned on this day."
      />
      {ahead.length > 1 && <Part name="Later" pulses={ahead.slice(1)} {...parts} />}
    </main>
  );
}

function Part({
  name,
  pulses,
  empty,
  ...parts
}: {
  name: string;
  pulses: readonly DayPulse[];
  empty?: string;
  timeZone: string;
  nowMs: number;
  day: SiteDay;
}) {
  return (
    <section aria-label={name} className={styles["part"]}>
      <h2>{name}</h2>
      {pulses.length === 0 && empty !== undefined && <p className="quiet">{empty}</p>}
      <ul>
        {pulses.map((pulse) => (
          <Valve key={pulse.id} pulse={pulse} {...parts} />
        ))}
      </ul>
    </section>
  );
}

function Valve({ pulse, timeZone, nowMs, day }: { pulse: DayPulse; timeZone: string; nowMs: number; day: SiteDay }) {
  const given = useAddWaterings();
  const { date } = usePlace();
  const edit = useEditDay(date);
  const { id, name, zoneId, startUtc, endUtc, litres, byHand, dose, state } = pulse;
  const minutes = (Date.parse(endUtc) - Date.parse(startUtc)) / 60_000;
  const left = Math.max(0, (Date.parse(endUtc) - nowMs) / 60_000);
  const failed = given.error ?? edit.error;
  const may = zoneId !== null && (state === "due" || state === "running");
  return (
    <li data-state={state}>
      <div className={styles["valve"]}>
        <strong>{name}</strong>
        <span className={styles["at"]}>
          {clockAt(startUtc, timeZone)}–{clockAt(endUtc, timeZone)}
        </span>
        <span>
          {state === "running"
            ? `${byHand ? "close it" : "closes"} in ${showDigits(left)} min`
            : `${minutesOf(pulse)} min`}{" "}
          · <Amount quantity="volume" value={litres} />
          {dose !== null && " · with its dose"}
        </span>
      </div>
      {may && (
        <div className={styles["taps"]}>
          {state === "due" && (
            <Button
              size="large"
              type="primary"
              loading={given.isPending}
              aria-label={`Given: ${name}, ${clockAt(startUtc, timeZone)}`}
              onClick={() => given.mutate([{ zoneId, startUtc, minutes, litres }])}
            >
              Given
            </Button>
          )}
          {state === "due" && (
            <Button
              size="large"
              loading={edit.isPending}
              aria-label={`Not given: ${name}, ${clockAt(startUtc, timeZone)}`}
              onClick={() => edit.mutate({ day, edit: { kind: "missed", pulseId: id } })}
            >
              Not given
            </Button>
          )}
        </div>
      )}
      {failed && <ProblemNote error={failed} />}
    </li>
  );
}
