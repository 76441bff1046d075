import type { Board } from "@sprunel/contract/today";
import type { SourceState } from "@sprunel/contract/water";
import { Outline } from "../parts/outline.tsx";
import { ProblemNote } from "../parts/problem.tsx";
import { usePlace } from "../place/use-place.ts";
import { useWaterStation } from "../place/use-sources.ts";
import { HazardTable } from "./hazard-table.tsx";
import { LabReports } from "./lab-reports.tsx";
import { Mixer } from "./mixer.tsx";
import { SourceList } from "./source-list.tsx";
import { StorageChart } from "./storage-chart.tsx";
import styles from "./water.module.css";

/** Where the site's water comes from, how long it lasts, what is in it, and what it does. */
export function WaterOfAll({ board }: { board: Board }) {
  const { date } = usePlace();
  const station = useWaterStation(date);
  const currency = board.site?.currency ?? "";
  if (station.isError && !station.data)
    return <ProblemNote error={station.error} onRetry={() => void station.refetch()} />;
  if (!station.data) return <Outline />;
  const { sources } = station.data;
  return (
    <>
      <h1>The site’s water</h1>
      <p className={styles["lead"]}>{lasting(sources)}</p>
      <div className={styles["columns"]}>
        <SourceList sources={sources} currency={currency} />
        <div>
          {sources
            .filter((state) => state.levels.length > 0)
            .map((state) => (
              <StorageChart key={state.source.id} state={state} />
            ))}
        </div>
      </div>
      {sources.length > 0 && (
        <>
          <h2>What the water does</h2>
          <HazardTable
            waters={sources.flatMap(({ source, report }) => (report ? [{ ...report, name: source.name }] : []))}
          />
          <Mixer sources={sources} currency={currency} />
        </>
      )}
      <LabReports inForce={sources.flatMap(({ report }) => report?.id ?? [])} />
    </>
  );
}

/** The one thing to know first: what runs out, and when. */
function lasting(sources: readonly SourceState[]): string {
  if (sources.length === 0)
    return "No water is described yet. Add the first source: every zone without a choice of its own drinks of it.";
  const [scarcest] = sources
    .flatMap(({ source, daysLeft }) => (daysLeft === null ? [] : [{ name: source.name, daysLeft }]))
    .sort((a, b) => a.daysLeft - b.daysLeft);
  return scarcest
    ? `${scarcest.name} runs out first: in ${scarcest.daysLeft} days, by the plans of all zones and the rain foreseen.`
    : "Nothing in store runs out within six weeks, by the plans of all zones and the rain foreseen.";
}
