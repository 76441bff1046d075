import type { FedZone, FeedStation, TankState } from "@sprunel/contract/feed";
import type { Board } from "@sprunel/contract/today";
import { Link } from "react-router";
import { Mark } from "../../parts/mark.tsx";
import { clockAt } from "../../place/clock-at.ts";
import { dateAt } from "../../place/date-at.ts";
import { usePlace } from "../../place/use-place.ts";
import { Amount, Measure } from "../../units/use-units.tsx";
import styles from "./tanks-of-all.module.css";
import { useDates, type Dates } from "../../units/dates.tsx";

/** A tank that does not last through tomorrow is mixed today. */
const MIXED_WITHIN_DAYS = 2;

/** Every tank with what stands in it and how long it lasts; first what is to be mixed today. */
export function TanksOfAll({ station: { zones }, board }: { station: FeedStation; board: Board }) {
  if (zones.length === 0)
    return <p>No zone is fed by a recipe yet: it needs a crop that stands, or a target of its own.</p>;
  const due = zones.filter(({ tanks }) => tanks.some(isDue));
  const unknown = zones.filter((zone) => !due.includes(zone) && zone.tanks.some(({ mixed }) => mixed === null));
  return (
    <>
      <section aria-label="To mix today">
        <h2>To mix today</h2>
        {due.length === 0 ? (
          <p className="quiet">
            {unknown.length === zones.length
              ? "No mix is in the book yet, so no level is known."
              : "Nothing: every tank whose level is known lasts through tomorrow."}
          </p>
        ) : (
          <ul className={styles["due"]}>
            {due.map((zone) => (
              <Due key={zone.zoneId} zone={zone} />
            ))}
          </ul>
        )}
        {unknown.length > 0 && (
          <p className="quiet">
            Level not known, as no mix is in the book: {unknown.map(({ name }) => name).join(", ")}. Log the next mix at
            Feed of the zone.
          </p>
        )}
      </section>
      <section aria-label="Tanks">
        <h2>Tanks</h2>
        <div className={styles["scroll"]} tabIndex={0} role="region" aria-label="All tanks">
          <table className={styles["tanks"]}>
            <thead>
              <tr>
                <th scope="col">zone</th>
                <th scope="col">feed a day</th>
                <th scope="col">tank</th>
                <th scope="col">stands in it</th>
                <th scope="col">lasts</th>
                <th scope="col">mixed</th>
              </tr>
            </thead>
            {zones.map((zone) => (
              <ZoneTanks key={zone.zoneId} zone={zone} board={board} />
            ))}
          </table>
        </div>
      </section>
    </>
  );
}

function isDue({ daysLeft, levelL }: TankState): boolean {
  return levelL !== null && daysLeft !== null && daysLeft < MIXED_WITHIN_DAYS;
}

function Due({ zone }: { zone: FedZone }) {
  return (
    <li>
      <Mark kind="act" />
      <strong>{zone.name}</strong>
      <span>
        {zone.tanks.filter(isDue).map(({ id, volumeL, levelL }, at) => (
          <span key={id}>
            {at > 0 && ", "}
            {id} <Amount quantity="volume" value={volumeL - (levelL ?? 0)} />
          </span>
        ))}
      </span>
      <Link to={`/zones/${zone.zoneId}/feed/sheet`}>Weigh sheet</Link>
    </li>
  );
}

function ZoneTanks({ zone, board }: { zone: FedZone; board: Board }) {
  const dates = useDates();
  const { addressOf } = usePlace();
  const rows = zone.tanks.length;
  return (
    <tbody>
      {zone.tanks.map((tank, at) => (
        <tr key={tank.id}>
          {at === 0 && (
            <>
              <th scope="rowgroup" rowSpan={rows}>
                <Link to={addressOf({ zoneId: zone.zoneId })}>{zone.name}</Link>
                <span className={styles["sub"]}>
                  {zone.stage ?? "nothing stands"}
                  {!zone.tanksSet && " · usual tanks, not confirmed"}
                </span>
              </th>
              <td rowSpan={rows}>
                {zone.litresDay === null ? (
                  <span className="quiet">no plan</span>
                ) : (
                  <Amount quantity="volume" value={zone.litresDay} />
                )}
              </td>
            </>
          )}
          <td>
            {tank.id} <span className="quiet">{tank.dilution === 1 ? "ready feed" : `1 : ${tank.dilution}`}</span>
          </td>
          <td>
            <Level tank={tank} />
          </td>
          <td>
            <Lasts tank={tank} />
          </td>
          <td>{mixedWords(tank, board, dates)}</td>
        </tr>
      ))}
    </tbody>
  );
}

/** The tank lying on its side: what stands in it, of what it holds. */
function Level({ tank: { id, levelL, volumeL } }: { tank: TankState }) {
  if (levelL === null) return <span className="quiet">not known</span>;
  return (
    <span className={styles["level"]}>
      <svg width="96" height="14" role="img" aria-label={`Tank ${id}, ${Math.round((100 * levelL) / volumeL)} % full`}>
        <rect
          x=".75"
          y=".75"
          width="94.5"
          height="12.5"
          rx="3"
          fill="var(--raised)"
          stroke="var(--pipe)"
          strokeWidth="1.5"
        />
        <rect x="2.5" y="2.5" width={91 * Math.min(1, levelL / volumeL)} height="9" rx="1.5" fill="var(--feed)" />
      </svg>
      <span>
        <Amount quantity="volume" value={levelL} />{" "}
        <span className="quiet">
          of <Amount quantity="volume" value={volumeL} />
        </span>
      </span>
    </span>
  );
}

function Lasts({ tank }: { tank: TankState }) {
  const { daysLeft, levelL } = tank;
  if (levelL === null) return <span className="quiet">–</span>;
  if (daysLeft === null) return <span className="quiet">nothing is fed</span>;
  return (
    <span className={styles["lasts"]}>
      {isDue(tank) && <Mark kind="act" />}
      {daysLeft === 0 ? (
        "not through today"
      ) : (
        <Measure text={String(daysLeft)} unit={daysLeft === 1 ? "day" : "days"} />
      )}
    </span>
  );
}

function mixedWords({ mixed }: TankState, board: Board, dates: Dates): string {
  if (!mixed) return "–";
  const zone = board.site?.timeZone ?? "UTC";
  return `${dateAt(mixed.at, zone, dates)} ${clockAt(mixed.at, zone)}${mixed.assumedFull ? ", taken for full" : ""}`;
}
