import type { Board, BoardZone } from "@sprunel/contract/today";
import { clashesOf, pumpLoad, type Clash } from "@sprunel/core/irrigation";
import Button from "antd/es/button";
import { lazy, Suspense, useMemo, useState } from "react";
import { Link } from "react-router";
import { clockAt } from "../../place/clock-at.ts";
import { dayScale } from "../../place/day-scale.ts";
import { usePlace } from "../../place/use-place.ts";
import { Amount, Measure } from "../../units/use-units.tsx";
import { DayOfAll } from "./day-of-all.tsx";
import { duePulses, type DueWatering } from "../due-pulses.ts";
import styles from "./run-of-all.module.css";
import { SetUpLink } from "../../place/set-up-link.tsx";

const GivenDialog = lazy(async () => ({ default: (await import("../given-dialog.tsx")).GivenDialog }));

interface Given {
  readonly due: readonly DueWatering[];
  readonly zone: BoardZone | null;
}

/** One day of all zones: their pulses on one line of time, what the pump is asked for beneath, and what was given. */
export function RunOfAll({ board }: { board: Board }) {
  const [given, setGiven] = useState<Given | null>(null);
  const { zones, site } = board;
  const maxLh = site?.pumpLh ?? null;
  const load = useMemo(() => pumpLoad(zones.flatMap(runPulses)), [zones]);
  const clashes = useMemo(() => (maxLh === null ? [] : clashesOf(load, maxLh)), [load, maxLh]);
  const scale = dayScale(board);
  const due = zones.flatMap((zone) => duePulses(zone, board));
  if (zones.length === 0)
    return (
      <>
        <h1>The day of all zones</h1>
        <p>
          There is no zone yet. <SetUpLink of="new">Add the first zone</SetUpLink>, and its water of the day stands
          here.
        </p>
      </>
    );
  return (
    <>
      <h1>The day of all zones</h1>
      <div className={styles["page"]}>
        <div className={styles["day"]}>
          {scale ? (
            <DayOfAll
              board={board}
              scale={scale}
              load={load}
              clashes={clashes}
              onGiven={(zone, pulses) => setGiven({ due: pulses, zone })}
            />
          ) : (
            <p className="quiet">Neither weather nor sun times are known for this day, so nothing is planned.</p>
          )}
        </div>
        <aside className={styles["aside"]}>
          <Sums board={board} load={load} />
          <Clashes board={board} clashes={clashes} />
          {due.length > 0 && (
            <Button type="primary" block onClick={() => setGiven({ due, zone: null })}>
              All due was given
            </Button>
          )}
          <SheetLink />
        </aside>
      </div>
      {given && (
        <Suspense>
          <GivenDialog board={board} due={given.due} zone={given.zone} onClose={() => setGiven(null)} />
        </Suspense>
      )}
    </>
  );
}

function runPulses({ id, pulses }: BoardZone) {
  return pulses.map(({ startUtc, endUtc, litres }) => ({
    zoneId: id,
    startMs: Date.parse(startUtc),
    endMs: Date.parse(endUtc),
    litres,
  }));
}

function Sums({ board: { zones, site }, load }: { board: Board; load: ReturnType<typeof pumpLoad> }) {
  const sum = (state: "planned" | "logged"): number =>
    zones
      .flatMap(({ pulses }) => pulses)
      .filter((pulse) => pulse.state === state)
      .reduce((total, { litres }) => total + litres, 0);
  const [given, ahead] = [sum("logged"), sum("planned")];
  const peak = load.reduce((most, step) => Math.max(most, step.lh), 0);
  const unplanned = zones.filter(({ missing }) => missing === "no-weather");
  return (
    <dl className={styles["sums"]}>
      <div>
        <dt>given so far</dt>
        <dd>
          <Amount quantity="bulk" value={given / 1000} />
        </dd>
      </div>
      <div>
        <dt>still to give</dt>
        <dd>
          <Amount quantity="bulk" value={ahead / 1000} />
        </dd>
      </div>
      <div>
        <dt>most at a time</dt>
        <dd>
          <Amount quantity="flow" value={peak} />
          <span className={styles["of"]}>
            {site?.pumpLh ? (
              <Measure text={((100 * peak) / site.pumpLh).toFixed(0)} unit="% of the pump" />
            ) : (
              <>
                of a pump that is not described; <SetUpLink of="site">say what it gives</SetUpLink>
              </>
            )}
          </span>
        </dd>
      </div>
      {unplanned.length > 0 && (
        <div>
          <dt>without a plan, as the weather is not known</dt>
          <dd className={styles["names"]}>{unplanned.map(({ name }) => name).join(", ")}</dd>
        </div>
      )}
    </dl>
  );
}

/** Who is too much for the pump together, from when to when. */
function Clashes({ board, clashes }: { board: Board; clashes: readonly Clash[] }) {
  const timeZone = board.site?.timeZone ?? "UTC";
  const pumpLh = board.site?.pumpLh;
  if (!pumpLh) return null;
  if (clashes.length === 0) return <p className={styles["fits"]}>The pump carries all of it.</p>;
  const nameOf = (id: number): string => board.zones.find((zone) => zone.id === id)?.name ?? "";
  return (
    <section aria-label="Clashes" className={styles["clashes"]}>
      <h2>{clashes.length === 1 ? "A clash at the pump" : `${clashes.length} clashes at the pump`}</h2>
      <ul>
        {clashes.map(({ fromMs, toMs, lh, zoneIds }) => (
          <li key={fromMs}>
            <strong>
              {clockAt(fromMs, timeZone)}–{clockAt(toMs, timeZone)}
            </strong>{" "}
            {listed(zoneIds.map(nameOf))} {zoneIds.length === 1 ? "alone asks" : "ask"} for{" "}
            <Amount quantity="flow" value={lh} />; the pump gives <Amount quantity="flow" value={pumpLh} />.
          </li>
        ))}
      </ul>
      <p className="quiet">Let one of them wait, or each gets less than its litres in its minutes.</p>
    </section>
  );
}

function listed(names: readonly string[]): string {
  return names.length < 2 ? names.join("") : `${names.slice(0, -1).join(", ")} and ${names.at(-1)}`;
}

function SheetLink() {
  const { date } = usePlace();
  return (
    <Link className={styles["sheet"]} to={date === null ? "/run/sheet" : `/run/sheet?date=${date}`}>
      Clock sheet to print
    </Link>
  );
}
