import type { ZoneFeed } from "@sprunel/contract/feed";
import type { BoardZone } from "@sprunel/contract/today";
import { useState, type ReactNode } from "react";
import styles from "./simple.module.css";
import { BaseGrade } from "./base-grade.tsx";
import { Dressing } from "./dressing.tsx";
import { Granules } from "./granules.tsx";
import { OneGrade } from "./one-grade.tsx";
import { Season } from "./season.tsx";
import { TopUp } from "./top-up.tsx";

/** Feeds that need no ion ladder: one bag, a tank to top up, granules and dressings. */
export function SimpleView({ zone, feed }: { zone: BoardZone; feed: ZoneFeed }) {
  const parts: Readonly<Record<string, { readonly name: string; readonly part: ReactNode }>> = {
    grade: { name: "One bag at so many ppm N", part: <OneGrade feed={feed} zoneName={zone.name} /> },
    base: { name: "A base grade", part: <BaseGrade feed={feed} /> },
    season: { name: "Strength by season", part: <Season zoneId={zone.id} feed={feed} /> },
    topUp: { name: "Top up a tank", part: <TopUp zoneId={zone.id} feed={feed} /> },
    granules: { name: "Slow release", part: <Granules zoneId={zone.id} feed={feed} /> },
    dressing: { name: "Dressing in grains", part: <Dressing zoneId={zone.id} /> },
  };
  const [shown, setShown] = useState("grade");
  return (
    <>
      <div className={styles["parts"]} role="group" aria-label="Kind of feed">
        {Object.entries(parts).map(([id, { name }]) => (
          <button key={id} type="button" aria-pressed={shown === id} onClick={() => setShown(id)}>
            {name}
          </button>
        ))}
      </div>
      {parts[shown]?.part}
    </>
  );
}
