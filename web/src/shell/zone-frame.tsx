import type { BoardZone } from "@sprunel/contract/today";
import Skeleton from "antd/es/skeleton";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { ProblemNote } from "../http/problem.tsx";
import { useBoard } from "../place/use-board.ts";
import { systemWords } from "../words/system-words.ts";
import { LostPage } from "../parts/lost-page.tsx";
import { Mark } from "../parts/mark.tsx";
import { usePlace } from "../place/use-place.ts";
import styles from "./zone-frame.module.css";

/** The zones down the left, and beside them what is shown of the chosen one. */
export function ZoneFrame({ children }: { children: (zone: BoardZone) => ReactNode }) {
  const { zoneId, date, station, addressOf } = usePlace();
  const board = useBoard(date);
  if (board.isError && !board.data) return <ProblemNote error={board.error} onRetry={() => void board.refetch()} />;
  if (!board.data) return <Skeleton active />;
  const chosen = board.data.zones.find((zone) => zone.id === zoneId);
  if (!chosen) return <LostPage />;
  return (
    <div className={styles["frame"]}>
      <nav className={styles["zones"]} aria-label="Zones">
        <Link className={styles["zone"]} to={addressOf({ zoneId: null, station: null })}>
          <span />
          <span className={styles["name"]}>All zones</span>
        </Link>
        {board.data.zones.map((zone) => (
          <Link
            key={zone.id}
            className={`${styles["zone"]} ${zone.id === zoneId ? styles["here"] : ""}`}
            aria-current={zone.id === zoneId ? "page" : undefined}
            to={addressOf({ zoneId: zone.id, station: station ?? "run" })}
          >
            <Mark kind={zone.missing ? "none" : zone.mark} />
            <span>
              <span className={styles["name"]}>{zone.name}</span>
              <span className={styles["sub"]}>
                {systemWords(zone.system)}
                {zone.crop && ` · ${zone.crop.stage}`}
              </span>
            </span>
          </Link>
        ))}
        <Link className={styles["more"]} to="/set-up">
          Set-up
        </Link>
        <Link className={styles["more"]} to="/weather">
          Import weather
        </Link>
      </nav>
      <div className={styles["content"]}>{children(chosen)}</div>
    </div>
  );
}
