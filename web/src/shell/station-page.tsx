import type { Station } from "@sprunel/contract/advice";
import type { Board, BoardZone } from "@sprunel/contract/today";
import { Outline } from "../parts/outline.tsx";
import { lazy, Suspense, type ComponentType, type ReactNode } from "react";
import { ProblemNote } from "../parts/problem.tsx";
import { LostPage } from "../parts/lost-page.tsx";
import { useBoard } from "../place/use-board.ts";
import { usePlace } from "../place/use-place.ts";
import { ZoneFrame } from "./zone-frame.tsx";
import styles from "./zone-frame.module.css";
import { SetUpLink } from "../place/set-up-link.tsx";

const WaterForm = lazy(async () => ({ default: (await import("../water/water-form.tsx")).WaterForm }));
const FeedPage = lazy(async () => ({ default: (await import("../feed/feed-page.tsx")).FeedPage }));

const CropPage = lazy(async () => ({ default: (await import("../crop/crop-page.tsx")).CropPage }));
const DoseLane = lazy(async () => ({ default: (await import("../feed/doses/dose-lane.tsx")).DoseLane }));

/** One zone at each station. */
const OF_ZONE: Readonly<Record<Station, ComponentType<{ zone: BoardZone }>>> = {
  water: lazy(async () => ({ default: (await import("../water/water-page.tsx")).WaterPage })),
  feed: ({ zone }) => <FeedPage zone={zone} withoutWater={<WaterForm />} />,
  run: lazy(async () => ({ default: (await import("../irrigation/run-page.tsx")).RunPage })),
  roots: lazy(async () => ({ default: (await import("../rootzone/roots-page.tsx")).RootsPage })),
  crop: ({ zone }) => <CropPage zone={zone} lane={DoseLane} />,
  harvest: lazy(async () => ({ default: (await import("../harvest/harvest-page.tsx")).HarvestPage })),
};

/** All zones at each station. */
const OF_ALL: Readonly<Record<Station, ComponentType<{ board: Board }>>> = {
  water: lazy(async () => ({ default: (await import("../water/water-of-all.tsx")).WaterOfAll })),
  feed: lazy(async () => ({ default: (await import("../feed/feed-of-all.tsx")).FeedOfAll })),
  run: lazy(async () => ({ default: (await import("../irrigation/day/run-of-all.tsx")).RunOfAll })),
  roots: lazy(async () => ({ default: (await import("../rootzone/roots-of-all.tsx")).RootsOfAll })),
  crop: lazy(async () => ({ default: (await import("../crop/crop-of-all.tsx")).CropOfAll })),
  harvest: lazy(async () => ({ default: (await import("../harvest/harvest-of-all.tsx")).HarvestOfAll })),
};

/** A zone, or all of them, at a station. */
export function StationPage() {
  const { zoneId, station, date } = usePlace();
  const board = useBoard(date);
  if (station === null) return <LostPage />;
  if (board.isError && !board.data) return <ProblemNote error={board.error} onRetry={() => void board.refetch()} />;
  if (!board.data) return <Outline />;
  if (zoneId === null) return <Framed board={board.data}>{ofAll(station, board.data)}</Framed>;
  const zone = board.data.zones.find((candidate) => candidate.id === zoneId);
  if (!zone) return <LostPage />;
  const Page = OF_ZONE[station];
  return (
    <Framed board={board.data}>
      <Page zone={zone} />
    </Framed>
  );
}

function Framed({ board, children }: { board: Board; children: ReactNode }) {
  return (
    <ZoneFrame board={board}>
      <Suspense fallback={<Outline />}>{children}</Suspense>
    </ZoneFrame>
  );
}

/** Nothing is told of all zones before there is a site, and little before there is a zone. */
function ofAll(station: Station, board: Board) {
  if (!board.site)
    return (
      <div className={styles["note"]}>
        <h1>No site yet</h1>
        <p>Describe where you grow; then every station has something to say.</p>
        <SetUpLink of="site">Describe your site</SetUpLink>
      </div>
    );
  const Page = OF_ALL[station];
  return <Page board={board} />;
}
