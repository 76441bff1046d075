import type { Ion } from "@sprunel/contract/basics";
import type { ZoneFeed } from "@sprunel/contract/feed";
import type { BoardZone } from "@sprunel/contract/today";
import { Outline } from "../parts/outline.tsx";
import { Link } from "react-router";
import { useZoneFeed } from "../feed/use-feed.ts";
import { ProblemNote } from "../parts/problem.tsx";
import { usePlace } from "../place/use-place.ts";
import { useWaterStation } from "../place/use-sources.ts";
import { SYSTEM_WORDS } from "../systems/words.ts";
import figures from "../theme/figures.module.css";
import { Amount, Measure } from "../units/use-units.tsx";
import { AcidNeed } from "./acid-need.tsx";
import { Dosing } from "./dosing.tsx";
import { HazardTable } from "./hazard-table.tsx";
import styles from "./water.module.css";
import { YieldLine } from "./yield-line.tsx";
import { useDates } from "../units/dates.tsx";

/** What one zone drinks: of which waters, how much today, and what their mix does to its lines and its crop. */
export function WaterPage({ zone }: { zone: BoardZone }) {
  const { date, addressOf } = usePlace();
  const feed = useZoneFeed(zone.id, date);
  const sources = useWaterStation(date).data?.sources ?? [];
  if (feed.isError && !feed.data) return <ProblemNote error={feed.error} onRetry={() => void feed.refetch()} />;
  if (!feed.data) return <Outline />;
  const { water, waters } = feed.data;
  return (
    <>
      <h1>{zone.name}: water</h1>
      <Drunk zone={zone} waters={waters} />
      <p>
        <Link to={addressOf({ zoneId: null })}>Sources, storage, lab reports and mixing</Link>{" "}
        <span className="quiet">of the whole site</span>
      </p>
      {water ? (
        <>
          <h2>What it does here</h2>
          <HazardTable
            waters={[
              {
                ions: measuredIn(water),
                ph: water.ph ?? null,
                ecMsCm: null,
                suspendedSolidsMgL: null,
                name: waters.length > 1 ? "the mix" : (waters[0]?.name ?? ""),
              },
            ]}
          />
          <YieldLine zone={zone} water={water} />
          <AcidNeed water={water} />
        </>
      ) : (
        <p>
          {waters.length === 0
            ? "No water is described yet: add the site’s first source."
            : "One of these waters has no lab report, so nothing is said of what they do here."}
        </p>
      )}
      {SYSTEM_WORDS[zone.system].inSoil &&
        sources.map(({ source }) => source.analysis && <Dosing key={source.id} zone={zone} source={source} />)}
    </>
  );
}

function Drunk({ zone, waters }: { zone: BoardZone; waters: ZoneFeed["waters"] }) {
  const dates = useDates();
  return (
    <ul className={styles["sources"]} aria-label="What this zone drinks">
      {waters.map(({ sourceId, name, sharePct, takenOn }) => (
        <li key={sourceId}>
          <h3>{name}</h3>
          <dl className={figures["list"]}>
            <div>
              <dt>Of its water</dt>
              <dd>
                <Measure text={sharePct.toFixed(0)} unit="%" />
              </dd>
            </div>
            <div>
              <dt>In today’s plan</dt>
              <dd>
                {zone.run ? <Amount quantity="volume" value={(zone.run.litres * sharePct) / 100} /> : "not known"}
              </dd>
            </div>
            <div>
              <dt>Lab report</dt>
              <dd>{takenOn === null ? "none" : dates.show(takenOn, "year")}</dd>
            </div>
          </dl>
        </li>
      ))}
    </ul>
  );
}

/** What every report of a mix names; the rest is not known of it. */
function measuredIn({ ions, unmeasured }: NonNullable<ZoneFeed["water"]>): NonNullable<ZoneFeed["water"]>["ions"] {
  return Object.fromEntries(Object.entries(ions).filter(([ion]) => !unmeasured.includes(ion as Ion)));
}
