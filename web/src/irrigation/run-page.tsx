import { Told } from "../units/told.ts";
import type { ZoneDayAnswer } from "@sprunel/contract/plan";
import type { Board, BoardZone } from "@sprunel/contract/today";
import Alert from "antd/es/alert";
import { Outline } from "../parts/outline.tsx";
import { SYSTEMS } from "@sprunel/core/systems";
import { lazy, Suspense, useState } from "react";
import { Link } from "react-router";
import { CorrectionInForce } from "../advice/correction-in-force.tsx";
import { FindingCard } from "../advice/finding-card.tsx";
import { ProblemNote } from "../parts/problem.tsx";
import { useBoard } from "../place/use-board.ts";
import { usePlace } from "../place/use-place.ts";
import { showDigits } from "../units/show.ts";
import { Amount, Measure, useUnits } from "../units/use-units.tsx";
import { Figure } from "../working/figure.tsx";
import { HoursChart } from "./hours-chart.tsx";
import { PulseList } from "./pulse-list.tsx";
import styles from "./run.module.css";
import { useZoneDay } from "../place/use-zone-day.ts";
import { SetUpLink } from "../place/set-up-link.tsx";

const DripLinesPanel = lazy(async () => ({ default: (await import("./drip-lines-panel.tsx")).DripLinesPanel }));

const DemandWays = lazy(async () => ({ default: (await import("./demand-ways.tsx")).DemandWays }));

/** How a zone's water for the day arises: from weather to demand, litres, minutes and start times. */
export function RunPage({ zone }: { zone: BoardZone }) {
  const { date } = usePlace();
  const day = useZoneDay(zone.id, date);
  const board = useBoard(date).data;
  if (day.isError && !day.data) return <ProblemNote error={day.error} onRetry={() => void day.refetch()} />;
  if (!day.data || !board) return <Outline />;
  return (
    <>
      <h1>{zone.name}: water for the day</h1>
      {day.data.plan ? (
        <Planned zone={zone} day={day.data} plan={day.data.plan} board={board} />
      ) : (
        <Unplanned missing={day.data.missing} zone={zone} />
      )}
      {day.data.plan && <OtherWays zoneId={zone.id} />}
      {SYSTEMS[zone.system].dripped && (
        <Suspense fallback={<Outline />}>
          <DripLinesPanel zone={zone} />
        </Suspense>
      )}
    </>
  );
}

/** Opened by whoever wants to know: it looks back on four weeks. */
function OtherWays({ zoneId }: { zoneId: number }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <details className={styles["ways"]} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>How the demand is found, and other ways to it</summary>
      {isOpen && (
        <Suspense fallback={<Outline />}>
          <DemandWays zoneId={zoneId} />
        </Suspense>
      )}
    </details>
  );
}

type Plan = NonNullable<ZoneDayAnswer["plan"]>;

function Planned({ zone, day, plan, board }: { zone: BoardZone; day: ZoneDayAnswer; plan: Plan; board: Board }) {
  return (
    <>
      <p className="quiet">
        {zone.crop &&
          `${zone.crop.name}, ${zone.crop.stage.toLowerCase()}, day ${zone.crop.day} of ${zone.crop.days} · `}
        water may run from {plan.window.start} to {plan.window.end}
      </p>
      {/* What is off at the roots changes the water of the day as well; a weak feed does not. */}
      {day.findings
        .filter(({ station }) => station !== "feed")
        .map((entry) => (
          <FindingCard key={entry.finding.cause} zoneId={zone.id} entry={entry} />
        ))}
      <Chain zone={zone} plan={plan} />
      {day.inForce && <CorrectionInForce zoneId={zone.id} inForce={day.inForce} />}
      {plan.warnings.length > 0 && (
        <Alert
          type="warning"
          title={plan.warnings.length === 1 ? <Told>{plan.warnings[0] ?? ""}</Told> : undefined}
          description={
            plan.warnings.length > 1 && (
              <ul className={styles["warnings"]}>
                {plan.warnings.map((warning) => (
                  <li key={warning}>
                    <Told>{warning}</Told>
                  </li>
                ))}
              </ul>
            )
          }
        />
      )}
      <div className={styles["columns"]}>
        <section>
          <h2>The hours behind it</h2>
          <WeatherFacts day={day} plan={plan} />
          <HoursChart day={day} timeZone={board.site?.timeZone ?? "UTC"} />
        </section>
        <section>
          <h2>Start times</h2>
          <PulseList day={day} zone={zone} board={board} />
        </section>
      </div>
    </>
  );
}

/** Demand → given → litres → minutes → pulses: each figure is followed by the next one's question. */
function Chain({ zone, plan }: { zone: BoardZone; plan: Plan }) {
  const { show } = useUnits();
  const perPlant = show("volume", plan.demandPerPlantL);
  const drain = show("volume", plan.drainL);
  const pulses = plan.events.length;
  const pulse = plan.events[0];
  return (
    <ol className={styles["chain"]} aria-label="From demand to minutes">
      <li>
        <span className={styles["label"]}>The crop takes up</span>
        <Figure zoneId={zone.id} figure="demand">
          <Amount quantity="waterDepth" value={plan.demandMm} />
        </Figure>
        <span className="quiet">
          {perPlant.text} {perPlant.unit} a plant
        </span>
      </li>
      <li>
        <span className={styles["label"]}>
          Given, with {SYSTEMS[zone.system].drains ? "drain" : "unevenness and leaching"}
        </span>
        <Figure zoneId={zone.id} figure="gross">
          <Amount quantity="waterDepth" value={plan.grossMm} />
        </Figure>
        <span className="quiet">
          {SYSTEMS[zone.system].drains && plan.netMm !== plan.demandMm && (
            <>
              uptake set to <Amount quantity="waterDepth" value={plan.netMm} /> by the correction in force;{" "}
            </>
          )}
          <Figure zoneId={zone.id} figure="drainOut">
            {drain.text} {drain.unit}
          </Figure>{" "}
          will run out below
        </span>
      </li>
      <li className={styles["main"]}>
        <span className={styles["label"]}>Litres for the zone</span>
        <Figure zoneId={zone.id} figure="litres">
          <Amount quantity="volume" value={plan.litres} />
        </Figure>
        <span className="quiet">
          <Figure zoneId={zone.id} figure="perPlant">
            <Amount quantity="volume" value={plan.litresPerPlant} note="a plant" />
          </Figure>
        </span>
      </li>
      <li>
        <span className={styles["label"]}>The valve is open</span>
        <Figure zoneId={zone.id} figure="minutes">
          <Measure text={showDigits(plan.minutesTotal)} unit="min" />
        </Figure>
        <span className="quiet">in the whole day</span>
      </li>
      <li>
        <span className={styles["label"]}>{pulses === 1 ? "In one run of" : `In ${pulses} pulses of`}</span>
        {pulse ? (
          <Figure zoneId={zone.id} figure="pulse">
            <Measure {...openFor(pulse.minutes)} />
          </Figure>
        ) : (
          <span>–</span>
        )}
        <span className="quiet">
          {pulse ? <Amount quantity="volume" value={pulse.litres} note="each" /> : "no water today"}
        </span>
      </li>
    </ol>
  );
}

function WeatherFacts({ day, plan }: { day: ZoneDayAnswer; plan: Plan }) {
  const { show } = useUnits();
  const temperatures = day.hours.flatMap((hour) => hour.airTemperatureC ?? []);
  const amount = (quantity: "temperature" | "rain", value: number): string => {
    const { text, unit } = show(quantity, value);
    return `${text} ${unit}`;
  };
  return (
    <dl className={styles["facts"]}>
      <div>
        <dt>Radiation outside</dt>
        <dd>
          <Figure zoneId={day.zoneId} figure="solar">
            {showDigits(plan.solarOutsideMjM2)} MJ/m²
          </Figure>
        </dd>
      </div>
      <div>
        <dt>Light sum inside</dt>
        <dd>
          <Figure zoneId={day.zoneId} figure="lightSum">
            {showDigits(plan.lightSumMolM2)} mol/m²
          </Figure>
        </dd>
      </div>
      <div>
        <dt>ET₀ outside</dt>
        <dd>
          {day.et0OutsideMm === null ? (
            "not known"
          ) : (
            <Figure zoneId={day.zoneId} figure="et0Outside">
              {amount("rain", day.et0OutsideMm)}
            </Figure>
          )}
        </dd>
      </div>
      {temperatures.length > 0 && (
        <div>
          <dt>Air outside</dt>
          <dd>
            <Figure zoneId={day.zoneId} figure="airOutside">
              {show("temperature", Math.min(...temperatures)).text} to{" "}
              {amount("temperature", Math.max(...temperatures))}
            </Figure>
          </dd>
        </div>
      )}
    </dl>
  );
}

function Unplanned({ missing, zone }: { missing: ZoneDayAnswer["missing"]; zone: BoardZone }) {
  return (
    <div className={styles["missing"]}>
      {missing === "not-planted" ? (
        <p>
          Nothing stands in {zone.name} on this day. Give the planting date and the crop in{" "}
          <SetUpLink>set-up</SetUpLink>.
        </p>
      ) : (
        <p>
          The weather of this day is not known, so there is no plan. <Link to="/weather">Import a weather file</Link>{" "}
          that holds it.
        </p>
      )}
    </div>
  );
}

/** How long a valve is open: to the second where seconds matter, in hours where nobody counts minutes. */
function openFor(minutes: number): { readonly text: string; readonly unit: string } {
  const seconds = Math.round(minutes * 60);
  if (minutes < HOURS_FROM_MIN)
    return { text: `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`, unit: "min:s" };
  const whole = Math.round(minutes);
  return { text: `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`, unit: "h:min" };
}
const HOURS_FROM_MIN = 100;
