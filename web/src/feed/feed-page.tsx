import type { FeedTarget, ZoneFeed } from "@sprunel/contract/feed";
import type { BoardZone } from "@sprunel/contract/today";
import { GENERAL_TARGET } from "@sprunel/core/feed/recipe";
import Button from "antd/es/button";
import { Outline } from "../parts/outline.tsx";
import { lazy, Suspense, useEffect, useState, type ReactNode } from "react";
import { Link, useLocation, useNavigate } from "react-router";
import { FindingCard } from "../advice/finding-card.tsx";
import { useDraft } from "../forms/use-draft.ts";
import { useLeaveGuard } from "../forms/use-leave-guard.tsx";
import { ProblemNote } from "../parts/problem.tsx";
import { usePlace } from "../place/use-place.ts";
import { Views } from "../parts/views.tsx";
import { useView } from "../place/use-view.ts";
import { triedIn } from "./station/try-in.ts";
import styles from "./feed.module.css";
import { RecipeView } from "./recipe/recipe-view.tsx";
import { useDates } from "../units/dates.tsx";
import { targetOf, useZoneFeed } from "./use-feed.ts";

const LoopView = lazy(async () => ({ default: (await import("./loop/loop-view.tsx")).LoopView }));
const DosesView = lazy(async () => ({ default: (await import("./doses/doses-view.tsx")).DosesView }));
const SimpleView = lazy(async () => ({ default: (await import("./simple/simple-view.tsx")).SimpleView }));

const VIEWS = {
  recipe: "Recipe",
  loop: "Closed loop",
  doses: "Doses",
  simple: "Simple feeds",
} as const;

/** What this stage should drink, and what to weigh into which tank; `withoutWater` is shown until its water has a report. */
export function FeedPage({ zone, withoutWater }: { zone: BoardZone; withoutWater: ReactNode }) {
  const { date } = usePlace();
  const feed = useZoneFeed(zone.id, date);
  if (feed.isError && !feed.data) return <ProblemNote error={feed.error} onRetry={() => void feed.refetch()} />;
  if (!feed.data) return <Outline />;
  return <Feed key={zone.id} zone={zone} feed={feed.data} withoutWater={withoutWater} />;
}

function Feed({ zone, feed, withoutWater }: { zone: BoardZone; feed: ZoneFeed; withoutWater: ReactNode }) {
  const location = useLocation();
  const navigate = useNavigate();
  const tried = triedIn(location.state);
  const { addressOf } = usePlace();
  useEffect(() => {
    // It is in the ladder now: once it was kept or left, the address must not bring it back.
    if (tried) void navigate(`${location.pathname}${location.search}`, { replace: true, state: null });
  }, [tried, navigate, location.pathname, location.search]);
  const draft = useDraft<FeedTarget | null>({ version: feed.own?.version ?? null, value: targetOf(feed) }, tried);
  const target = draft.value;
  const { touched, settled, question } = useLeaveGuard();
  useEffect(() => {
    if (draft.changed) touched();
    else settled();
  }, [draft.changed, touched, settled]);
  const [view, show] = useView(VIEWS);
  // A part that was looked at stays as it was left: what was typed there is not lost by looking at another.
  const [visited, setVisited] = useState<ReadonlySet<string>>(new Set([view]));
  if (!visited.has(view)) setVisited(new Set([...visited, view]));
  const tryOut = (next: FeedTarget): void => {
    draft.set(next);
    show("recipe");
    window.scrollTo({ top: 0 });
  };
  return (
    <>
      <h1>
        {zone.name}: feed{feed.stage && `, ${feed.stage.toLowerCase()}`}
      </h1>
      <Views label="Parts of the feed" views={VIEWS} shown={view} onShow={show} />
      {question}
      <Suspense fallback={<Outline />}>
        {view !== "simple" && view !== "doses" && !feed.water && withoutWater}
        {feed.water && visited.has("recipe") && (
          <div hidden={view !== "recipe"}>
            {zone.findings
              .filter((entry) => entry.station === "feed")
              .map((entry) => (
                <FindingCard key={entry.finding.cause} zoneId={zone.id} entry={entry} />
              ))}
            <Origin feed={feed} />
            <p>
              <Link to={addressOf({ zoneId: null })}>Shelf, targets, kept recipes and costs</Link>{" "}
              <span className="quiet">of the whole site</span>
            </p>
            {target ? (
              <RecipeView zoneName={zone.name} feed={feed} draft={draft} target={target} />
            ) : (
              <NoTarget stage={feed.stage} onStart={() => draft.set({ ...GENERAL_TARGET, name: "General solution" })} />
            )}
          </div>
        )}
        {feed.water && visited.has("loop") && (
          <div hidden={view !== "loop"}>
            <LoopView zone={zone} feed={feed} onTry={tryOut} />
          </div>
        )}
        {visited.has("doses") && (
          <div hidden={view !== "doses"}>
            <DosesView zoneId={zone.id} />
          </div>
        )}
        {visited.has("simple") && (
          <div hidden={view !== "simple"}>
            <SimpleView zone={zone} feed={feed} />
          </div>
        )}
      </Suspense>
    </>
  );
}

function ownWords({ name, keptIn }: NonNullable<ZoneFeed["own"]>): string {
  return `Target: ${name ?? "your own"}${keptIn === null ? "" : `, kept for ${keptIn.toLowerCase()}`}`;
}

/** Where target and water are from. */
function Origin({ feed: { own, library, waters } }: { feed: ZoneFeed }) {
  const dates = useDates();
  return (
    <p className="quiet">
      {own ? ownWords(own) : library ? `Target: ${library.name} (${library.source})` : "No target yet"}
      {!own && library?.assumed && <strong className="act"> · not confirmed</strong>} · Water:{" "}
      {waters
        .map(
          ({ name, sharePct, takenOn }) =>
            `${sharePct.toFixed(0)} % ${name}, ${takenOn === null ? "no report" : dates.show(takenOn, "year")}`,
        )
        .join(" · ")}
    </p>
  );
}

function NoTarget({ stage, onStart }: { stage: string | null; onStart(): void }) {
  if (stage === null) return <p>Nothing stands in this zone on this day, so there is nothing to feed.</p>;
  return (
    <>
      <p>The library has no target for this crop at {stage.toLowerCase()}. Set one of your own.</p>
      <div className={styles["actions"]}>
        <Button type="primary" onClick={onStart}>
          Start from a general solution
        </Button>
      </div>
    </>
  );
}
