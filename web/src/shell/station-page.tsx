import type { Station } from "@sprunel/contract/advice";
import type { BoardZone } from "@sprunel/contract/today";
import Skeleton from "antd/es/skeleton";
import { lazy, Suspense } from "react";
import { Link } from "react-router";
import { LostPage } from "../parts/lost-page.tsx";
import { STATIONS } from "../place/stations.ts";
import { usePlace } from "../place/use-place.ts";
import { ZoneFrame } from "./zone-frame.tsx";
import styles from "./zone-frame.module.css";

const FeedPage = lazy(async () => ({ default: (await import("../feed/feed-page.tsx")).FeedPage }));
const RootsPage = lazy(async () => ({ default: (await import("../rootzone/roots-page.tsx")).RootsPage }));
const WaterPage = lazy(async () => ({ default: (await import("../water/water-page.tsx")).WaterPage }));
const WaterForm = lazy(async () => ({ default: (await import("../water/water-form.tsx")).WaterForm }));
const HarvestPage = lazy(async () => ({ default: (await import("../harvest/harvest-page.tsx")).HarvestPage }));
const RunPage = lazy(async () => ({ default: (await import("../irrigation/run-page.tsx")).RunPage }));

/** One zone at one station. */
export function StationPage() {
  const { zoneId, station } = usePlace();
  if (station === null || !zoneId) return <LostPage />;
  return (
    <ZoneFrame>{(zone) => <Suspense fallback={<Skeleton active />}>{stationView(station, zone)}</Suspense>}</ZoneFrame>
  );
}

function stationView(station: Station, zone: BoardZone) {
  if (station === "run") return <RunPage zone={zone} />;
  if (station === "feed") return <FeedPage zone={zone} withoutWater={<WaterForm zoneName={zone.name} />} />;
  if (station === "water") return <WaterPage zone={zone} />;
  if (station === "harvest") return <HarvestPage zone={zone} />;
  if (station === "roots") return <RootsPage zone={zone} />;
  return <NotBuilt stationId={station} zoneName={zone.name} />;
}

function NotBuilt({ stationId, zoneName }: { stationId: string; zoneName: string }) {
  const { addressOf } = usePlace();
  const station = STATIONS.find((candidate) => candidate.id === stationId);
  return (
    <div className={styles["note"]}>
      <h1>
        {zoneName}: {station?.name}
      </h1>
      <p>This station is not built yet, so it shows nothing rather than something made up.</p>
      <p className="quiet">It will answer: {station?.question}</p>
      <p>
        <Link to={addressOf({ station: "run" })}>To Run of this zone</Link>
      </p>
    </div>
  );
}
