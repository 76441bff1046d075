import { addressOf as fileAddress } from "@sprunel/contract/basics";
import { getCalendarTable, type CropStation, type PlantingTime } from "@sprunel/contract/crop";
import type { Board } from "@sprunel/contract/today";
import { daysBetween } from "@sprunel/core/time";
import Button from "antd/es/button";
import { Outline } from "../parts/outline.tsx";
import { Link } from "react-router";
import { ProblemNote } from "../parts/problem.tsx";
import { usePlace } from "../place/use-place.ts";
import { ZoneLabel } from "../place/zone-label.tsx";
import tables from "../theme/tables.module.css";
import { CalendarFeed } from "./calendar-feed.tsx";
import { calendarAround, lanesOf, type Calendar } from "./calendar.ts";
import styles from "./crop-of-all.module.css";
import { rowsWords } from "./rows.tsx";
import { DateLine, Months, StageRibbon } from "./stage-ribbon.tsx";
import { useCropStation } from "./use-crop.ts";
import { useDates } from "../units/dates.tsx";
import { SetUpLink } from "../place/set-up-link.tsx";

/** What begins within so many days is told beside the calendar. */
const SOON_DAYS = 21;

/** Every planting's stages on one calendar, and what begins next. */
export function CropOfAll({ board }: { board: Board }) {
  const dates = useDates();
  const { date } = usePlace();
  const station = useCropStation(date);
  if (station.isError && !station.data)
    return <ProblemNote error={station.error} onRetry={() => void station.refetch()} />;
  if (!station.data) return <Outline />;
  const calendar = calendarAround(station.data.date);
  return (
    <>
      <h1>All crops</h1>
      <p>
        <Link to="/crops">Crop library</Link>: every crop’s stages and figures, and your own. ·{" "}
        <a href={fileAddress(getCalendarTable)} download>
          These dates as a table
        </a>{" "}
        · <CalendarFeed />
      </p>
      {board.zones.length === 0 ? (
        <p>
          There is no zone yet. <SetUpLink of="new">Add the first zone</SetUpLink>, and its crop stands here.
        </p>
      ) : (
        <>
          <Next station={station.data} />
          <section aria-label="Calendar of all plantings" className={styles["calendar"]}>
            <span />
            <Months calendar={calendar} />
            {board.zones.map((zone) => (
              <ZoneLine
                key={zone.id}
                zone={zone}
                plantings={station.data.plantings.filter(({ zoneId }) => zoneId === zone.id)}
                date={station.data.date}
                calendar={calendar}
              />
            ))}
            <div className={styles["today"]}>
              <DateLine
                date={station.data.date}
                calendar={calendar}
                label={station.data.date === board.today ? "today" : dates.show(station.data.date, "day")}
              />
            </div>
          </section>
          <Dates dates={station.data.dates} />
          <p className="quiet">
            Stages go by the warmth, days or nights that each has had, unless they were seen. At Crop of a zone,{" "}
            <em>seen today</em> sets one right.
          </p>
        </>
      )}
    </>
  );
}

function ZoneLine({
  zone,
  plantings,
  date,
  calendar,
}: {
  zone: Board["zones"][number];
  plantings: readonly PlantingTime[];
  date: string;
  calendar: Calendar;
}) {
  const { addressOf } = usePlace();
  const shown = plantings
    .flatMap(({ stages }) => stages)
    .filter(({ from, to }) => to > calendar.from && from < calendar.to);
  return (
    <>
      <Link className={styles["zone"]} to={addressOf({ zoneId: zone.id })}>
        <ZoneLabel name={zone.name} sub={zone.crop ? zone.crop.name : "nothing stands"} />
      </Link>
      <div className={styles["ribbons"]} role="group" aria-label={`Stages in ${zone.name}`}>
        {shown.length === 0 ? (
          <span className="quiet">no planting in these months</span>
        ) : (
          lanesOf(plantings).map((lane) => (
            <div key={lane[0]?.key} className={styles["lane"]}>
              {lane.map((planting) => (
                <div key={planting.key} className={styles["layer"]} title={rowsWords(planting.part)}>
                  <StageRibbon stages={planting.stages} date={date} calendar={calendar} />
                </div>
              ))}
            </div>
          ))
        )}
      </div>
    </>
  );
}

/** What is to be done and what begins, week after week: to be printed and hung up. */
function Dates({ dates: coming }: { dates: CropStation["dates"] }) {
  const dates = useDates();
  const { addressOf } = usePlace();
  return (
    <section aria-label="The next six weeks" className={styles["dates"]}>
      <h2>The next six weeks</h2>
      {coming.length === 0 ? (
        <p className="quiet">Nothing begins and nothing is to be done for a crop.</p>
      ) : (
        <>
          <table className={tables["table"]}>
            <tbody>
              {coming.map(({ on, zoneId, zoneName, what, note }) => (
                <tr key={`${zoneId} ${on} ${what}`}>
                  <td>
                    <strong>{dates.show(on, "weekday")}</strong>
                  </td>
                  <td>
                    <Link to={addressOf({ zoneId })}>{zoneName}</Link>
                  </td>
                  <td>
                    {what}
                    {note !== "" && <span className="quiet"> · {note}</span>}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p>
            <Button onClick={() => window.print()}>Print</Button>
          </p>
        </>
      )}
    </section>
  );
}

/** What begins in the coming weeks, the soonest first. */
function Next({ station: { plantings, date } }: { station: CropStation }) {
  const dates = useDates();
  const { addressOf } = usePlace();
  const coming = plantings
    .flatMap(({ zoneId, zoneName, stages }) => stages.map((stage) => ({ ...stage, zoneId, zoneName })))
    .filter(({ from }) => from > date && daysBetween(date, from) <= SOON_DAYS)
    .sort((a, b) => a.from.localeCompare(b.from));
  if (coming.length === 0) return <p className="quiet">No stage begins within {SOON_DAYS} days.</p>;
  return (
    <ul className={styles["next"]} aria-label="What begins next">
      {coming.map(({ zoneId, zoneName, name, from, id }) => {
        const days = daysBetween(date, from);
        return (
          <li key={`${zoneId} ${id} ${from}`}>
            <strong>{days === 1 ? "tomorrow" : `in ${days} days`}</strong>
            <Link to={addressOf({ zoneId })}>{zoneName}</Link>
            <span>
              {name.toLowerCase()} <span className="quiet">{dates.show(from, "weekday")}</span>
            </span>
          </li>
        );
      })}
    </ul>
  );
}
