import type { OpenFinding, Station } from "@sprunel/contract/advice";
import type { Board } from "@sprunel/contract/today";
import { Link } from "react-router";
import styles from "./shell.module.css";
import { STATIONS } from "../place/stations.ts";
import { usePlace } from "../place/use-place.ts";

/** The six stations as one pipe with nodes; a node carries how much there is to decide at it. */
export function PathAxis({ board }: { board: Board | undefined }) {
  const place = usePlace();
  const zones = board?.zones ?? [];
  const inSight = place.zoneId === null ? zones : zones.filter((zone) => zone.id === place.zoneId);
  return (
    <nav className={styles["path"]} aria-label="The water's path">
      {STATIONS.map(({ id, name, question }) => {
        const here = place.station === id;
        const classes = [styles["node"], here && styles["here"]].filter(Boolean).join(" ");
        const count = inSight.reduce(
          (sum, zone) => sum + zone.findings.filter((entry) => isOpenAt(entry, id)).length,
          0,
        );
        return (
          <Link
            key={id}
            to={place.addressOf({ station: id })}
            className={classes}
            title={question}
            aria-current={here ? "page" : undefined}
            aria-label={`${name}${count > 0 ? `, ${count} to decide` : ""}`}
          >
            <span className={styles["ring"]}>{count > 0 ? count : ""}</span>
            <span className={styles["label"]}>{name}</span>
          </Link>
        );
      })}
    </nav>
  );
}

function isOpenAt({ station, decision }: OpenFinding, id: Station): boolean {
  return station === id && !decision;
}
