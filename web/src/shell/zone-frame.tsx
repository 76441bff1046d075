import type { Board, BoardZone } from "@sprunel/contract/today";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { SYSTEM_WORDS } from "../systems/words.ts";
import { Mark } from "../parts/mark.tsx";
import { MoreLinks } from "../place/more-links.tsx";
import { usePlace } from "../place/use-place.ts";
import styles from "./zone-frame.module.css";

/** The zones down the left, all of them on top, and beside them what is shown of the chosen. */
export function ZoneFrame({ board, children }: { board: Board; children: ReactNode }) {
  const { zoneId, addressOf, station } = usePlace();
  return (
    <div className={styles["frame"]}>
      <div className={styles["side"]}>
        <nav className={styles["zones"]} aria-label="Zones">
          <Entry here={zoneId === null} to={addressOf({ zoneId: null })} name="All zones" sub="at this station" />
          {board.zones.map((zone) => (
            <Entry
              key={zone.id}
              here={zone.id === zoneId}
              to={addressOf({ zoneId: zone.id, station })}
              name={zone.name}
              sub={subOf(zone)}
              mark={<Mark kind={zone.missing ? "none" : zone.mark} />}
            />
          ))}
        </nav>
        <MoreLinks className={styles["more"]} />
      </div>
      <div className={styles["content"]}>{children}</div>
    </div>
  );
}

function subOf({ system, crop }: BoardZone): string {
  return crop ? `${SYSTEM_WORDS[system].name} · ${crop.stage}` : SYSTEM_WORDS[system].name;
}

function Entry({
  here,
  to,
  name,
  sub,
  mark,
}: {
  here: boolean;
  to: string;
  name: string;
  sub: string;
  mark?: ReactNode;
}) {
  return (
    <Link
      className={`${styles["zone"]} ${here ? styles["here"] : ""}`}
      aria-current={here ? "page" : undefined}
      to={to}
    >
      {mark ?? <span />}
      <span>
        <span className={styles["name"]}>{name}</span>
        <span className={styles["sub"]}>{sub}</span>
      </span>
    </Link>
  );
}
