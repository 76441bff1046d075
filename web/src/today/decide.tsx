import type { Board } from "@sprunel/contract/today";
import { Link } from "react-router";
import { STATIONS } from "../place/stations.ts";
import { usePlace } from "../place/use-place.ts";
import styles from "../advice/advice.module.css";
import { FindingCard } from "../advice/finding-card.tsx";

const GRAVITY = { act: 0, watch: 1, steady: 2 };

/** What deviates, the gravest first, then what was decided already. */
export function Decide({ board }: { board: Board }) {
  const { addressOf } = usePlace();
  const items = board.zones
    .flatMap((zone) => zone.findings.map((entry) => ({ zone, entry })))
    .sort((a, b) => GRAVITY[a.entry.finding.mark] - GRAVITY[b.entry.finding.mark]);
  const open = items.filter(({ entry }) => !entry.decision);
  const isPlanted = board.zones.some(({ missing }) => missing !== "not-planted");
  const withoutWeather = board.zones.filter(({ missing }) => missing === "no-weather").length;
  const decided = items.filter(({ entry }) => entry.decision);
  return (
    <section className={styles["decide"]} aria-label="Decide">
      <h2 className={styles["head"]}>
        <span>Decide</span>
        <span className={open.length > 0 ? "act" : "quiet"}>{open.length}</span>
      </h2>
      {open.length === 0 && (
        <p className="quiet">
          Nothing is left to decide today.{" "}
          {withoutWeather === 0 ? (
            isPlanted ? (
              "The plan can run as it stands."
            ) : (
              <>
                No zone has a plan: nothing is planted. <Link to="/set-up">Say what grows</Link>
              </>
            )
          ) : (
            <>
              But{" "}
              {withoutWeather === board.zones.length
                ? "no zone has a plan"
                : `${withoutWeather} of the zones have no plan`}
              : no weather is known. <Link to="/weather">Import weather</Link>
            </>
          )}
        </p>
      )}
      {[...open, ...decided].map(({ zone, entry }) => (
        <FindingCard
          key={`${zone.id} ${entry.finding.cause}`}
          zoneId={zone.id}
          zoneName={zone.name}
          entry={entry}
          more={
            <Link to={addressOf({ zoneId: zone.id, station: entry.station })}>
              Open {STATIONS.find((candidate) => candidate.id === entry.station)?.name}
            </Link>
          }
        />
      ))}
    </section>
  );
}
