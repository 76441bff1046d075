import type { BoardZone, RootHistory } from "@sprunel/contract";
import Button from "antd/es/button";
import Skeleton from "antd/es/skeleton";
import { ProblemNote } from "../http/problem.tsx";
import { findingWords } from "../plan/finding-words.ts";
import { useBoard } from "../plan/use-board.ts";
import { Mark } from "../shell/mark.tsx";
import { usePlace } from "../shell/use-place.ts";
import { useUnits } from "../units/use-units.tsx";
import runStyles from "../irrigation/run.module.css";
import { RootsChart } from "./roots-chart.tsx";
import { ReadingTable } from "./reading-table.tsx";
import styles from "./roots.module.css";
import { Section } from "./section.tsx";
import { useLogReading } from "./use-log-reading.tsx";
import { useRootHistory } from "./use-readings.ts";

/** What is in the root zone now, what drained, and how it came there. */
export function RootsPage({ zone }: { zone: BoardZone }) {
  const { date } = usePlace();
  const history = useRootHistory(zone.id, date);
  const board = useBoard(date).data;
  const { show } = useUnits();
  const log = useLogReading();
  if (history.isError && !history.data)
    return <ProblemNote error={history.error} onRetry={() => void history.refetch()} />;
  if (!history.data) return <Skeleton active />;
  const findings = zone.findings.filter((entry) => entry.station === "roots");
  return (
    <>
      <h1>{zone.name}: root zone</h1>
      {findings.map(({ finding }) => {
        const words = findingWords(finding, show);
        return (
          <p key={finding.cause} className={runStyles["finding"]}>
            <Mark kind={finding.mark} />
            <span>
              <strong>{words.title.charAt(0).toUpperCase() + words.title.slice(1)}.</strong> {words.reason} {words.next}
            </span>
          </p>
        );
      })}
      <div className={styles["columns"]}>
        <section>
          {history.data.now ? (
            <Section roots={history.data.now} />
          ) : (
            <p className="quiet">Nothing is known of this root zone on this day.</p>
          )}
          {zone.system === "substrate" && (
            <div className={styles["actions"]}>
              <Button type="primary" onClick={() => log.open(zone.id)}>
                Log a drain reading
              </Button>
            </div>
          )}
        </section>
        <section>
          <Past history={history.data} timeZone={board?.site?.timeZone ?? "UTC"} zoneId={zone.id} />
        </section>
      </div>
    </>
  );
}

function Past({ history, timeZone, zoneId }: { history: RootHistory; timeZone: string; zoneId: number }) {
  return (
    <>
      <h2>The last four weeks</h2>
      <RootsChart history={history} />
      {history.readings.length > 0 && <ReadingTable readings={history.readings} timeZone={timeZone} zoneId={zoneId} />}
    </>
  );
}
