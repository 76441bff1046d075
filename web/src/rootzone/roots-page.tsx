import type { RootHistory } from "@sprunel/contract/rootzone";
import type { BoardZone } from "@sprunel/contract/today";
import Button from "antd/es/button";
import { Outline } from "../parts/outline.tsx";
import { FindingCard } from "../advice/finding-card.tsx";
import { ProblemNote } from "../parts/problem.tsx";
import { useBoard } from "../place/use-board.ts";
import { useSetUp } from "../place/use-set-up.ts";
import { usePlace } from "../place/use-place.ts";
import type { ReadingField } from "../systems/reading-field.ts";
import { SYSTEM_VIEWS } from "../systems/views.ts";
import { NOW_AND_THEN } from "../systems/reading-field.ts";
import { SYSTEM_WORDS } from "../systems/words.ts";
import { BalanceTable } from "./balance-table.tsx";
import { RootsChart } from "./roots-chart.tsx";
import { clockAt } from "../place/clock-at.ts";
import { showDigits } from "../units/show.ts";
import { useUnits } from "../units/use-units.tsx";
import { Reports } from "./reports.tsx";
import { ReadingTable } from "./reading-table.tsx";
import styles from "./roots.module.css";
import { useLog } from "../place/log-context.ts";
import { useRootHistory } from "./use-readings.ts";

/** What is in the root zone now, what drained, and how it came there. */
export function RootsPage({ zone }: { zone: BoardZone }) {
  const { date } = usePlace();
  const history = useRootHistory(zone.id, date);
  const board = useBoard(date).data;
  const log = useLog();
  const { readings } = SYSTEM_WORDS[zone.system];
  const { Section } = SYSTEM_VIEWS[zone.system];
  const vessel = useSetUp().data?.zones.find(({ id }) => id === zone.id)?.layout?.vessel?.kind;
  if (history.isError && !history.data)
    return <ProblemNote error={history.error} onRetry={() => void history.refetch()} />;
  if (!history.data) return <Outline />;
  const timeZone = board?.site?.timeZone ?? "UTC";
  const findings = zone.findings.filter((entry) => entry.station === "roots");
  return (
    <>
      <h1>{zone.name}: root zone</h1>
      {findings.map((entry) => (
        <FindingCard key={entry.finding.cause} zoneId={zone.id} entry={entry} />
      ))}
      <div className={styles["columns"]}>
        <section>
          {history.data.now ? (
            <>
              <Section roots={history.data.now} vessel={vessel} />
              {history.data.to === board?.today && <DryDown next={history.data.next} timeZone={timeZone} />}
            </>
          ) : (
            <p className="quiet">Nothing is known of this root zone on this day.</p>
          )}
          {readings.length > 0 && (
            <div className={styles["actions"]}>
              <Button type="primary" onClick={() => log.open({ kind: "reading", zoneId: zone.id })}>
                Log a reading
              </Button>
            </div>
          )}
          {history.data.balances && <BalanceTable balances={history.data.balances} />}
        </section>
        <section>
          <Past history={history.data} fields={[...readings, ...NOW_AND_THEN]} timeZone={timeZone} zoneId={zone.id} />
        </section>
      </div>
      <Reports zone={zone} />
    </>
  );
}

/** How far the root zone dries down until water comes again. */
function DryDown({ next, timeZone }: { next: RootHistory["next"]; timeZone: string }) {
  const { show } = useUnits();
  if (!next) return <p className="quiet">No more water comes today.</p>;
  const { roots } = next;
  const { text, unit } =
    roots.kind === "drained"
      ? { text: roots.heldPct === null ? "?" : showDigits(roots.heldPct), unit: "% of its water" }
      : SYSTEM_WORDS[roots.system].state(roots, show, true).key;
  return (
    <p>
      Next water at <strong>{clockAt(next.at, timeZone)}</strong>; by then it stands at {text} {unit}, computed.
    </p>
  );
}

function Past({
  history,
  fields,
  timeZone,
  zoneId,
}: {
  history: RootHistory;
  fields: readonly ReadingField[];
  timeZone: string;
  zoneId: number;
}) {
  return (
    <>
      <h2>The last four weeks</h2>
      <RootsChart history={history} />
      {history.readings.length > 0 && (
        <ReadingTable readings={history.readings} fields={fields} timeZone={timeZone} zoneId={zoneId} />
      )}
    </>
  );
}
