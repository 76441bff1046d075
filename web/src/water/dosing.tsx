import { Told } from "../units/told.ts";
import type { CropChoice, Zone } from "@sprunel/contract/site";
import type { BoardZone } from "@sprunel/contract/today";
import type { Source } from "@sprunel/contract/water";
import { plantingOn } from "@sprunel/core/crop";
import { addDays } from "@sprunel/core/time";
import { organicDosing, waterEcMsCm, type OrganicDosing } from "@sprunel/core/water";
import Button from "antd/es/button";
import { lazy, Suspense, useState, type ReactNode } from "react";
import { useZoneFeed } from "../feed/use-feed.ts";
import { useHarvest } from "../harvest/use-harvest.ts";
import { ProblemNote } from "../parts/problem.tsx";
import { solveDripLines, timesOf } from "../irrigation/drip-lines-sums.ts";
import { useDripLines } from "../irrigation/use-drip-lines.ts";
import { useBoard } from "../place/use-board.ts";
import { StrikeOut } from "../parts/strike-out.tsx";
import { usePlace } from "../place/use-place.ts";
import { useSetUp } from "../place/use-set-up.ts";
import figures from "../theme/figures.module.css";
import tables from "../theme/tables.module.css";
import { SumFields, type SumField } from "../sums/sum-fields.tsx";
import { trySum } from "../sums/try-sum.ts";
import { Amount, Measure } from "../units/use-units.tsx";
import { Explained } from "../working/explained.tsx";
import { useDoses, useStrikeDose } from "./use-doses.ts";
import styles from "./water.module.css";
import { useDates } from "../units/dates.tsx";
import { SetUpLink } from "../place/set-up-link.tsx";

const DoseDialog = lazy(async () => ({ default: (await import("./dose-dialog.tsx")).DoseDialog }));

/** Typed beside the plan; none of them is confirmed until somebody has looked at it. */
interface Settings {
  readonly nKgT: number | null;
  readonly pKgT: number | null;
  readonly mineralisedPct: number | null;
  readonly doses: number | null;
  readonly mostEcMsCm: number | null;
  readonly passageMm: number | null;
}
const FIELDS: readonly SumField<keyof Settings>[] = [
  { key: "nKgT", label: "N taken off", quantity: "perTonne" },
  { key: "pKgT", label: "P taken off", quantity: "perTonne" },
  { key: "mineralisedPct", label: "Organic N used this season", unit: "%" },
  { key: "doses", label: "Doses to come", unit: "" },
  { key: "mostEcMsCm", label: "Most EC at the drippers", unit: "mS/cm" },
  { key: "passageMm", label: "Narrowest way in a dripper", unit: "mm" },
];
const START = { mineralisedPct: 30, doses: 4, mostEcMsCm: 2, passageMm: 1 };

/** How much of a digestate or reclaimed water this zone may get, how it is thinned and filtered, and until when. */
export function Dosing({ zone, source }: { zone: BoardZone; source: Source }) {
  const { date } = usePlace();
  const today = useBoard(date).data?.date;
  const { data } = useSetUp();
  const setUp = data?.zones.find((candidate) => candidate.id === zone.id);
  const planting = setUp && today ? plantingOn(setUp.plantings, today) : null;
  const crop = data?.crops.find(({ id }) => id === planting?.cropId);
  if (!setUp || !planting || !crop) return null;
  return (
    <section aria-label={`Doses of ${source.name}`} className={styles["block"]}>
      <h2>{source.name} for this zone</h2>
      <p className={styles["caution"]}>
        Local rules come first: where, when and to which crops it may be given at all. Never through lines that carry
        drinking water; back-flow prevention at the well; gloves and eye protection; no one in a pit or closed tank, the
        gases kill; keep off leaves and watercourses.
      </p>
      <Plan zone={setUp} source={source} removal={crop.removal} plantedOn={planting.plantedOn} />
    </section>
  );
}

function Plan({
  zone,
  source,
  removal: { nKgT, pKgT },
  plantedOn,
}: {
  zone: Zone;
  source: Source;
  removal: CropChoice["removal"];
  plantedOn: string;
}) {
  const dates = useDates();
  const { date } = usePlace();
  const [settings, setSettings] = useState<Settings>(() => ({ ...START, nKgT, pKgT }));
  const [isLogging, setLogging] = useState(false);
  const doses = useDoses(zone.id);
  const strike = useStrikeDose(zone.id);
  const harvest = useHarvest(zone.id, date).data;
  const water = useZoneFeed(zone.id, date).data?.water;
  const flush = useFlush(zone.id);
  if (doses.isError && !doses.data) return <ProblemNote error={doses.error} onRetry={() => void doses.refetch()} />;
  const own = (doses.data?.doses ?? []).filter(({ sourceId }) => sourceId === source.id);
  const counted = own.filter(({ struck, givenOn }) => struck === null && givenOn >= plantedOn);
  const givenM3 = counted.reduce((sum, { litres }) => sum + litres / 1000, 0);
  const firstPick = harvest?.path[0]?.date;
  const lastDay = firstPick && source.analysis ? addDays(firstPick, -source.analysis.hygieneDays) : null;
  const targetPerM2 = harvest?.targetPerM2 ?? null;
  const answer =
    targetPerM2 === null || !water
      ? null
      : computed(source, zone.definition.areaM2, targetPerM2 * 10, givenM3, waterEcMsCm(water), settings);
  return (
    <>
      <SumFields fields={FIELDS} values={settings} onChange={setSettings} />
      <p className="quiet">These six are assumed, not confirmed: change what you know better.</p>
      {targetPerM2 === null && (
        <p>
          The cap follows from the yield aimed at. <SetUpLink>Set it at the planting</SetUpLink>.
        </p>
      )}
      {!water && <p>The zone's own water has no lab report, so the mix cannot be told.</p>}
      {typeof answer === "string" && <p role="alert">{answer}</p>}
      {answer && typeof answer !== "string" && <Figures answer={answer} flush={flush} lastDay={lastDay} />}
      {own.length > 0 && (
        <table className={tables["table"]}>
          <thead>
            <tr>
              <th scope="col">given</th>
              <th scope="col">{source.name}</th>
              <th scope="col">fresh water after it</th>
              <th scope="col" />
            </tr>
          </thead>
          <tbody>
            {own.map((dose) => (
              <tr key={dose.id} className={dose.struck === null ? undefined : tables["struck"]}>
                <td>{dates.show(dose.givenOn, "year")}</td>
                <td>
                  <Amount quantity="volume" value={dose.litres} />
                </td>
                <td>
                  <Amount quantity="volume" value={dose.flushL} />
                </td>
                <td>
                  {dose.struck === null ? (
                    <StrikeOut
                      what="dose"
                      example="pump did not run"
                      onStrike={(reason) => strike.mutate({ id: dose.id, reason })}
                    />
                  ) : (
                    <span className="quiet">{dose.struck}</span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {strike.isError && <ProblemNote error={strike.error} />}
      <div className={styles["actions"]}>
        <Button onClick={() => setLogging(true)}>Log a dose</Button>
      </div>
      {isLogging && (
        <Suspense>
          <DoseDialog
            zoneId={zone.id}
            source={source}
            doseL={answer && typeof answer !== "string" ? Math.round(answer.doseL) : null}
            flushL={flush === null ? null : Math.round(flush.litres)}
            onClose={() => setLogging(false)}
          />
        </Suspense>
      )}
    </>
  );
}

function Figures({
  answer,
  flush,
  lastDay,
}: {
  answer: OrganicDosing;
  flush: { readonly minutes: number; readonly litres: number } | null;
  lastDay: string | null;
}) {
  const dates = useDates();
  const today = useBoard(null).data?.today;
  const isOver = lastDay !== null && today !== undefined && today > lastDay;
  const explained = (node: ReactNode) => (
    <Explained title="Doses" steps={answer.working}>
      {node}
    </Explained>
  );
  return (
    <>
      <dl className={figures["list"]}>
        <div>
          <dt>One dose</dt>
          <dd>{isOver ? "none" : explained(<Amount quantity="volume" value={answer.doseL} />)}</dd>
        </div>
        <div>
          <dt>May still be given, by {answer.boundBy}</dt>
          <dd>{explained(<Amount quantity="bulk" value={answer.leftM3} />)}</dd>
        </div>
        <div>
          <dt>Fresh water on one part</dt>
          <dd>{explained(<Measure text={answer.dilution.toFixed(1)} unit="parts" />)}</dd>
        </div>
        <div>
          <dt>Filter</dt>
          <dd>{explained(<Measure text={String(answer.filterUm)} unit={`µm (${answer.mesh} mesh)`} />)}</dd>
        </div>
        <div>
          <dt>Flush after each</dt>
          <dd>
            {flush ? (
              <>
                <Measure text={Math.ceil(flush.minutes).toString()} unit="min," />{" "}
                <Amount quantity="volume" value={flush.litres} />
              </>
            ) : (
              <span className="quiet">describe the lines at Run</span>
            )}
          </dd>
        </div>
        <div>
          <dt>Last day</dt>
          <dd className={isOver ? styles["bad"] : undefined}>
            {lastDay === null ? "–" : dates.show(lastDay, "year")}
            {isOver && ": past"}
          </dd>
        </div>
      </dl>
      {isOver && (
        <p className={styles["bad"]}>
          No dose any more: it would come nearer to the first pick than the days that were entered as your local rule.
        </p>
      )}
      <p className="quiet">
        All that may still be given brings <Amount quantity="perLand" value={answer.bringsKgHa.n} note="N" /> that the
        crop can use, <Amount quantity="perLand" value={answer.bringsKgHa.p} note="P" /> and{" "}
        <Amount quantity="perLand" value={answer.bringsKgHa.k} note="K" />: take as much off the feed.
      </p>
      {answer.warnings.map((warning) => (
        <p key={warning} className={styles["bad"]}>
          <Told>{warning}</Told>
        </p>
      ))}
    </>
  );
}

/** Until what was injected has left the last dripper. */
function useFlush(zoneId: number): { readonly minutes: number; readonly litres: number } | null {
  const lines = useDripLines(zoneId).data?.lines;
  const solved = lines ? solveDripLines(lines) : null;
  if (!lines || !solved || typeof solved === "string") return null;
  const { arrivalMin, zoneLh } = timesOf(lines, solved);
  return { minutes: arrivalMin, litres: (arrivalMin * zoneLh) / 60 };
}

function computed(
  { analysis }: Source,
  areaM2: number,
  yieldTHa: number,
  givenM3: number,
  freshEcMsCm: number,
  { nKgT, pKgT, mineralisedPct, doses, mostEcMsCm, passageMm }: Settings,
): OrganicDosing | string | null {
  if (!analysis) return null;
  if (nKgT === null || pKgT === null || mineralisedPct === null || doses === null) return null;
  if (mostEcMsCm === null || passageMm === null) return null;
  return trySum(() =>
    organicDosing({
      ...{ analysis, areaM2, yieldTHa, removal: { nKgT, pKgT }, mineralisedPct, givenM3, doses },
      ...{ freshEcMsCm, mostEcMsCm, passageMm },
    }),
  );
}
