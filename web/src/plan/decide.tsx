import type { Board } from "@sprunel/contract";
import { Link } from "react-router";
import { Mark } from "../shell/mark.tsx";
import { STATIONS } from "../shell/stations.ts";
import { usePlace } from "../shell/use-place.ts";
import { useUnits } from "../units/use-units.tsx";
import styles from "./board.module.css";
import { findingWords } from "./finding-words.ts";

const GRAVITY = { act: 0, watch: 1, steady: 2 };

/** What deviates, the gravest first, each with its reason and the next step. */
export function Decide({ board }: { board: Board }) {
  const { addressOf } = usePlace();
  const { show } = useUnits();
  const items = board.zones
    .flatMap((zone) => zone.findings.map((entry) => ({ zone, ...entry })))
    .sort((a, b) => GRAVITY[a.finding.mark] - GRAVITY[b.finding.mark]);
  return (
    <section className={styles["decide"]} aria-label="Decide">
      <h2 className={styles["decideHead"]}>
        <span>Decide</span>
        <span style={{ color: items.length > 0 ? "var(--act)" : "var(--quiet)" }}>{items.length}</span>
      </h2>
      {items.length === 0 && <p className="quiet">Nothing is off today. The plan can run as it stands.</p>}
      {items.map(({ zone, station, finding }) => {
        const words = findingWords(finding, show);
        return (
          <article key={`${zone.id} ${finding.cause}`} className={styles["item"]}>
            <Mark kind={finding.mark} />
            <div>
              <h3>
                {zone.name}: {words.title}
              </h3>
              <p className="quiet">{words.reason}</p>
              <p>{words.next}</p>
              <Link to={addressOf({ zoneId: zone.id, station })}>
                Open {STATIONS.find((candidate) => candidate.id === station)?.name}
              </Link>
            </div>
          </article>
        );
      })}
    </section>
  );
}
