import { Told } from "../../units/told.ts";
import { addressOf } from "@sprunel/contract/basics";
import { getSiteDayTable, type DayChange, type DayEdit, type SiteDay } from "@sprunel/contract/plan";
import type { Board } from "@sprunel/contract/today";
import Button from "antd/es/button";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { clockAt } from "../../place/clock-at.ts";
import { useDates } from "../../units/dates.tsx";
import { showDigits } from "../../units/show.ts";
import { Amount, Measure, useUnits } from "../../units/use-units.tsx";
import styles from "./run-of-all.module.css";
import { useWaterCalendar } from "./use-site-day.ts";

interface Props {
  readonly board: Board;
  readonly day: SiteDay;
  /** pulses of which nobody has said what was given */
  readonly due: number;
  onChange(edit: DayEdit["edit"]): void;
  onAllGiven(): void;
  onDescribe(): void;
}

/** Whether the day fits, what it takes, what changed, and the ways out of the door. */
export function DayAside({ board, day, due, onChange, onAllGiven, onDescribe }: Props) {
  return (
    <>
      <Fit day={day} />
      <Sums board={board} day={day} onDescribe={onDescribe} />
      <Offered board={board} day={day} onChange={onChange} />
      <Changes board={board} day={day} />
      {due > 0 && (
        <Button type="primary" block onClick={onAllGiven}>
          All due was given
        </Button>
      )}
      <Ways board={board} day={day} onDescribe={onDescribe} onChange={onChange} />
    </>
  );
}

function Fit({ day: { unmet, gapPct, improving, version } }: { day: SiteDay }) {
  if (version === null) return null;
  const looking = improving && <p className="quiet">A better day is being looked for …</p>;
  if (unmet.length === 0)
    return (
      <section aria-label="Whether it fits">
        <h2>All of it fits</h2>
        {looking}
      </section>
    );
  return (
    <section aria-label="Whether it fits" className={styles["clashes"]}>
      <h2>
        <Amount quantity="volume" value={unmet.reduce((sum, { litres }) => sum + litres, 0)} /> do not fit
      </h2>
      <ul>
        {unmet.map(({ name, litres, reason, wayOut, gonePct }) => (
          <li key={`${name} ${litres}`}>
            <strong>{name}</strong>: <Amount quantity="volume" value={litres} /> wait.{" "}
            <Told>{`${reason} ${wayOut}`}</Told>
            {gonePct !== null && ` Without it ${gonePct.toFixed(0)} % of what its roots can reach is gone tonight.`}
          </li>
        ))}
      </ul>
      <p className="quiet">
        {gapPct < 0.05
          ? "No other plan serves those that come first better."
          : `Any plan could give at most ${showDigits(gapPct)} % more, those that come first counting most.`}
      </p>
      {looking}
    </section>
  );
}

function Sums({ board, day, onDescribe }: { board: Board; day: SiteDay; onDescribe(): void }) {
  const { date, today, site } = board;
  const sum = (some: SiteDay["pulses"]): number => some.reduce((total, { litres }) => total + litres, 0);
  const planned = sum(day.pulses);
  const given =
    day.pulses.reduce((total, pulse) => total + (pulse.given?.litres ?? 0), 0) +
    day.beside.reduce((total, { litres }) => total + litres, 0);
  const [pump] = day.limits.filter(({ kind, zoneIds }) => kind === "pump" && zoneIds === null);
  const energy = day.energy.reduce((total, { kwh }) => total + kwh, 0);
  const used = day.energyGiven.reduce((total, { kwh }) => total + kwh, 0);
  const costs = day.energy.map(({ cost }) => cost);
  const cost = costs.length > 0 && costs.every((one) => one !== null) ? costs.reduce((so, one) => so + one, 0) : null;
  return (
    <dl className={styles["sums"]}>
      <div>
        <dt>planned</dt>
        <dd>
          <Amount quantity="bulk" value={planned / 1000} />
        </dd>
      </div>
      {date <= today && (
        <div>
          <dt>given so far</dt>
          <dd>
            <Amount quantity="bulk" value={given / 1000} />
          </dd>
        </div>
      )}
      <div>
        <dt>most at a time</dt>
        <dd>
          <Amount quantity="flow" value={day.peakLh} />
          <span className={styles["of"]}>
            {pump?.maxLh ? (
              <Measure text={((100 * day.peakLh) / pump.maxLh).toFixed(0)} unit={`% of ${pump.name}`} />
            ) : (
              <button type="button" className={styles["link"]} onClick={onDescribe}>
                say what the pump gives
              </button>
            )}
          </span>
        </dd>
      </div>
      {energy > 0 && (
        <div>
          <dt>power for it, at full load (assumed)</dt>
          <dd>
            <Measure text={showDigits(energy)} unit="kWh" />
            {cost !== null && (
              <span className={styles["of"]}>
                <Measure text={cost.toFixed(2)} unit={site?.currency ?? ""} />
              </span>
            )}
            {used > 0 && (
              <span className={styles["of"]}>
                <Measure text={showDigits(used)} unit="kWh for what was given so far" />
              </span>
            )}
          </dd>
        </div>
      )}
    </dl>
  );
}

/** What was missed the day before: nobody adds it in silence. */
function Offered({ board, day, onChange }: Pick<Props, "board" | "day" | "onChange">) {
  if (day.offered.length === 0) return null;
  const timeZone = board.site?.timeZone ?? "UTC";
  return (
    <section aria-label="Missed the day before">
      <h2>Missed the day before</h2>
      <ul className={styles["list"]}>
        {day.offered.map(({ pulseId, name, startUtc, litres }) => (
          <li key={pulseId}>
            {name}, {clockAt(startUtc, timeZone)}: <Amount quantity="volume" value={litres} />
            <span className={styles["acts"]}>
              <Button onClick={() => onChange({ kind: "again", pulseId })}>Give it now</Button>
              <Button onClick={() => onChange({ kind: "let-go", pulseId })}>Let it go</Button>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Changes({ board, day: { change } }: Pick<Props, "board" | "day">) {
  const dates = useDates();
  const timeZone = board.site?.timeZone ?? "UTC";
  if (!change || change.of.length === 0 || change.of.every(({ kind }) => kind === "first")) return null;
  const on = clockAt(change.atUtc, timeZone);
  const isToday = dates.show(change.atUtc.slice(0, 10), "day") === dates.show(board.now.slice(0, 10), "day");
  return (
    <section aria-label="What changed">
      <h2>Changed at {isToday ? on : `${on}, ${dates.show(change.atUtc.slice(0, 10), "day")}`}</h2>
      <ul className={styles["list"]}>
        {change.of.map((one, at) => (
          <li key={`${at} ${one.kind}`}>
            <Changed change={one} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Changed({ change }: { change: DayChange }): ReactNode {
  const { show } = useUnits();
  const litres = (value: number): string => `${show("volume", value).text} ${show("volume", value).unit}`;
  switch (change.kind) {
    case "first":
      return "Planned for the first time.";
    case "better":
      return "A better day was found.";
    case "main":
      return "What the zones share was described anew.";
    case "litres":
      return `${change.name} asks for ${litres(change.toL)} instead of ${litres(change.fromL)}.`;
    case "pulses":
      return `${change.name}: ${change.to} instead of ${change.from} pulses.`;
    case "moved":
      return change.pulses === 1
        ? `${change.name} starts ${Math.abs(change.minutes)} min ${change.minutes > 0 ? "later" : "earlier"}.`
        : `${change.name}: ${change.pulses} pulses move, by up to ${Math.abs(change.minutes)} min.`;
    case "locked":
      return `A pulse of ${change.name} was locked.`;
    case "unlocked":
      return `A pulse of ${change.name} was freed.`;
    case "excluded":
      return `${change.name} was shut for the day.`;
    case "included":
      return `${change.name} was opened again.`;
    case "added":
      return `${change.name} gets what it missed the day before.`;
    case "fed":
      return `${change.name} gets another feed.`;
  }
}

/** On paper, on the phone, into a calendar, as a table. */
function Ways({ board, day, onDescribe, onChange }: Pick<Props, "board" | "day" | "onDescribe" | "onChange">) {
  const calendar = useWaterCalendar().data;
  const query = board.date === board.today ? "" : `?date=${board.date}`;
  const byHand = day.zones.filter((zone) => zone.byHand && day.pulses.some(({ zoneId }) => zoneId === zone.zoneId));
  return (
    <nav aria-label="Out of the door" className={styles["ways"]}>
      <Link className={styles["sheet"]} to={`/run/sheet${query}`}>
        Clock sheet to print
      </Link>
      <Link className={styles["sheet"]} to={`/run/valves${query}`}>
        My valves on the phone
      </Link>
      <Button onClick={onDescribe}>Pump, mixers and hands</Button>
      {day.version !== null && board.date >= board.today && (
        <Button onClick={() => onChange({ kind: "afresh" })}>Look for a better day</Button>
      )}
      {byHand.length > 0 && <p className="quiet">By hand on this day: {byHand.map(({ name }) => name).join(", ")}.</p>}
      <p className={styles["small"]}>
        <a href={`${addressOf(getSiteDayTable)}${query}`} download>
          As a table
        </a>
        {calendar && <a href={calendar.path}>For a calendar</a>}
      </p>
    </nav>
  );
}
