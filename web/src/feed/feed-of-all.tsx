import type { FeedStation } from "@sprunel/contract/feed";
import type { Board } from "@sprunel/contract/today";
import { GENERAL_TARGET } from "@sprunel/core/feed/recipe";
import Select from "antd/es/select";
import { Outline } from "../parts/outline.tsx";
import { lazy, Suspense, useState, type ReactNode } from "react";
import { useNavigate } from "react-router";
import { ProblemNote } from "../parts/problem.tsx";
import { Views } from "../parts/views.tsx";
import { usePlace } from "../place/use-place.ts";
import { useView } from "../place/use-view.ts";
import styles from "./feed.module.css";
import { TanksOfAll } from "./station/tanks-of-all.tsx";
import { tryState } from "./station/try-in.ts";
import { targetOf, useFeedStation, useZoneFeed } from "./use-feed.ts";

const ShelfView = lazy(async () => ({ default: (await import("./shelf/shelf-view.tsx")).ShelfView }));
const WeekOfDoses = lazy(async () => ({ default: (await import("./doses/week-of-doses.tsx")).WeekOfDoses }));
const OrderView = lazy(async () => ({ default: (await import("./order/order-view.tsx")).OrderView }));
const TargetsView = lazy(async () => ({ default: (await import("./targets/targets-view.tsx")).TargetsView }));
const NutrientBooks = lazy(async () => ({ default: (await import("./books/nutrient-books.tsx")).NutrientBooks }));
const KeptView = lazy(async () => ({ default: (await import("./kept/kept-view.tsx")).KeptView }));

const VIEWS = {
  tanks: "Tanks",
  doses: "This week’s doses",
  shelf: "Shelf",
  order: "Costs and order",
  targets: "Targets",
  kept: "Kept recipes",
  books: "Nutrient books",
} as const;

/** What the site's feed is made in and of: tanks with what is to be mixed, the shelf, costs, targets, kept recipes and the books of nutrients. */
export function FeedOfAll({ board }: { board: Board }) {
  const { date } = usePlace();
  const station = useFeedStation(date);
  const [view, show] = useView(VIEWS);
  if (station.isError && !station.data)
    return <ProblemNote error={station.error} onRetry={() => void station.refetch()} />;
  if (!station.data) return <Outline />;
  return (
    <>
      <h1>The site’s feed</h1>
      <Views label="Parts of the feed" views={VIEWS} shown={view} onShow={show} />
      <Suspense fallback={<Outline />}>
        {view === "tanks" && <TanksOfAll station={station.data} board={board} />}
        {view === "doses" && <WeekOfDoses />}
        {view === "shelf" && <ShelfView shelf={station.data.shelf} />}
        {view === "order" && <OrderView />}
        {view === "targets" && <Library station={station.data} />}
        {view === "books" && <NutrientBooks />}
        {view === "kept" && <Kept station={station.data} />}
      </Suspense>
    </>
  );
}

/** Published targets, to be tried in a zone. */
function Library({ station }: { station: FeedStation }) {
  const navigate = useNavigate();
  const { date, addressOf } = usePlace();
  return (
    <InZone station={station} label="Tried in">
      {(zone) => (
        <Fed zoneId={zone.zoneId} date={date}>
          {(feed) => (
            <TargetsView
              ph={targetOf(feed)?.ph ?? GENERAL_TARGET.ph}
              onTry={(target) => void navigate(addressOf({ zoneId: zone.zoneId }), { state: tryState(target) })}
            />
          )}
        </Fed>
      )}
    </InZone>
  );
}

function Kept({ station }: { station: FeedStation }) {
  const { date } = usePlace();
  return (
    <InZone station={station} label="For">
      {(zone) => (
        <Fed zoneId={zone.zoneId} date={date}>
          {(feed) => <KeptView feed={feed} zoneName={zone.name} />}
        </Fed>
      )}
    </InZone>
  );
}

/** What is done with a zone's own feed, for the one that is chosen. */
function InZone({
  station: { zones },
  label,
  children,
}: {
  station: FeedStation;
  label: string;
  children: (zone: FeedStation["zones"][number]) => ReactNode;
}) {
  const [chosen, setChosen] = useState<number | null>(null);
  const zone = zones.find(({ zoneId }) => zoneId === chosen) ?? zones[0];
  if (!zone) return <p>No zone is fed by a recipe yet: it needs a crop that stands, or a target of its own.</p>;
  return (
    <>
      <label className={styles["inZone"]}>
        <span>{label}</span>
        <Select
          aria-label={`${label}: zone`}
          value={zone.zoneId}
          options={zones.map(({ zoneId, name }) => ({ value: zoneId, label: name }))}
          onChange={setChosen}
          className="select-l"
        />
      </label>
      {children(zone)}
    </>
  );
}

function Fed({
  zoneId,
  date,
  children,
}: {
  zoneId: number;
  date: string | null;
  children: (feed: NonNullable<ReturnType<typeof useZoneFeed>["data"]>) => ReactNode;
}) {
  const feed = useZoneFeed(zoneId, date);
  if (feed.isError && !feed.data) return <ProblemNote error={feed.error} onRetry={() => void feed.refetch()} />;
  return feed.data ? children(feed.data) : <Outline />;
}
