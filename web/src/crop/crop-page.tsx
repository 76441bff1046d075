import type { PlantingTime, ZoneCrop } from "@sprunel/contract/crop";
import type { BoardZone } from "@sprunel/contract/today";
import { addDays, daysBetween } from "@sprunel/core/time";
import { Outline } from "../parts/outline.tsx";
import { Suspense, type ComponentType, type ReactNode } from "react";
import { Link, useSearchParams } from "react-router";
import { ProblemNote } from "../parts/problem.tsx";
import { useBoard } from "../place/use-board.ts";
import { usePlace } from "../place/use-place.ts";
import { showDigits } from "../units/show.ts";
import { Amount, Measure } from "../units/use-units.tsx";
import { AirAgainstCrop } from "./air.tsx";
import type { Calendar } from "./calendar.ts";
import styles from "./crop.module.css";
import { NextPlanting } from "./next-planting.tsx";
import { Nights } from "./nights.tsx";
import { Signs } from "./signs.tsx";
import { SoilSteps } from "./soil-steps.tsx";
import { DateLine, Months, StageRibbon } from "./stage-ribbon.tsx";
import { useZoneCrop } from "./use-crop.ts";
import { Practices } from "./practices.tsx";
import { Beside, StandSection } from "./stand.tsx";
import { StageFits } from "./stage-fits.tsx";
import { startWords } from "./stage-words.ts";
import { useDates } from "../units/dates.tsx";
import { Yield } from "../units/yield.tsx";
import { rowsWords } from "./rows.tsx";
import { SetUpLink } from "../place/set-up-link.tsx";

/** Systems whose plants root in the ground. */
const IN_SOIL: readonly BoardZone["system"][] = ["soil-drip", "buried-drip", "basin"];

/** Which stage the crop is in, what that asks for, what was seen and what comes next. */
export function CropPage({
  zone,
  lane: Lane,
}: {
  zone: BoardZone;
  /** what of another room goes by this planting's time, under its stages */
  lane?: ComponentType<{ zoneId: number; date: string | null; from: string; to: string }>;
}) {
  const dates = useDates();
  const { date } = usePlace();
  const [search] = useSearchParams();
  const crop = useZoneCrop(zone.id, date, search.get("planting"));
  const board = useBoard(null).data;
  if (crop.isError && !crop.data) return <ProblemNote error={crop.error} onRetry={() => void crop.refetch()} />;
  if (!crop.data) return <Outline />;
  const { planting, now, air, nights, stand, areaM2 } = crop.data;
  const today = board?.today;
  if (!planting)
    return (
      <>
        <h1>{zone.name}: nothing stands</h1>
        <p>
          On this day the zone has no crop. Give the crop and its planting date in <SetUpLink>set-up</SetUpLink>; its
          stages, water and feed follow from them.
        </p>
        {board?.today !== undefined && <Ahead zone={zone} crop={crop.data} today={board.today} />}
      </>
    );
  const stage = planting.stages.find(({ id }) => id === now?.stageId);
  return (
    <>
      <h1>
        {zone.name}:{" "}
        {stage && now ? `${stage.name.toLowerCase()}, day ${now.day} of ${now.days}` : "past its last stage"}
      </h1>
      <p className="quiet">
        <Link to={`/crops/${planting.cropId}`}>{planting.cropName}</Link> · planted{" "}
        {dates.show(planting.plantedOn, "year-long")}, {ageWords(planting, stand?.year, crop.data.date)}
        {planting.clearedOn !== null &&
          ` · ${today !== undefined && planting.clearedOn > today ? "to be cleared" : "cleared"} on ${dates.show(planting.clearedOn, "year-long")}`}
      </p>
      <Beside crop={crop.data} />
      <Ribbon planting={planting} date={crop.data.date} isToday={crop.data.date === today}>
        {Lane && (
          <Suspense>
            <Lane zoneId={zone.id} date={date} {...calendarOf(planting, crop.data.date)} />
          </Suspense>
        )}
      </Ribbon>
      {nights && today !== undefined && board?.site && (
        <Nights crop={crop.data} nights={nights} today={today} timeZone={board.site.timeZone} areaM2={areaM2} />
      )}
      {air && <AirAgainstCrop air={air} calendar={calendarOf(planting, crop.data.date)} areaM2={areaM2} />}
      <Practices practices={crop.data.practices} date={crop.data.date} />
      <div className={styles["columns"]}>
        <section aria-label="What the stage asks for">
          <h2>What the stage asks for</h2>
          {now && stage ? (
            <Asks now={now} zone={zone} />
          ) : (
            <p>
              By its days the crop is over. Say what was seen, or when it was cleared in <SetUpLink>set-up</SetUpLink>.
            </p>
          )}
        </section>
        <section aria-label="Signs">
          {today !== undefined && <Signs zone={zone} crop={crop.data} planting={planting} today={today} />}
          <StageFits crop={crop.data} />
          {stand && today !== undefined && (
            <StandSection key={planting.key} crop={crop.data} stand={stand} today={today} />
          )}
          <Next planting={planting} date={crop.data.date} />
          {today !== undefined && <Ahead zone={zone} crop={crop.data} today={today} />}
          <Before past={crop.data.past} />
        </section>
      </div>
    </>
  );
}

/** What is planned after this, and what its soil needs before. */
function Ahead({ zone, crop, today }: { zone: BoardZone; crop: ZoneCrop; today: string }) {
  return (
    <>
      <NextPlanting key={crop.version} crop={crop} today={today} />
      {IN_SOIL.includes(zone.system) && <SoilSteps zoneId={zone.id} areaM2={crop.areaM2} today={today} />}
    </>
  );
}

function Ribbon({
  planting,
  date,
  isToday,
  children,
}: {
  planting: PlantingTime;
  date: string;
  isToday: boolean;
  children: ReactNode;
}) {
  const dates = useDates();
  const calendar = calendarOf(planting, date);
  return (
    <div className={styles["ribbon"]} role="group" aria-label="Stages of this planting">
      <Months calendar={calendar} />
      <StageRibbon stages={planting.stages} date={date} calendar={calendar} roomy />
      {children}
      <DateLine date={date} calendar={calendar} label={isToday ? "today" : dates.show(date, "day")} />
    </div>
  );
}

/** From the first stage of the year that is looked at to past the last. */
function calendarOf({ plantedOn, stages }: PlantingTime, date: string): Calendar {
  const last = stages.at(-1)?.to ?? plantedOn;
  return { from: addDays(stages[0]?.from ?? plantedOn, -2), to: addDays(date > last ? date : last, 4) };
}

/** Days since planting; of a perennial the year that it is in. */
function ageWords({ perennial, plantedOn }: PlantingTime, year: number | undefined, date: string): string {
  return perennial && year !== undefined ? `year ${year}` : `day ${daysBetween(plantedOn, date) + 1}`;
}

type Now = NonNullable<ZoneCrop["now"]>;
interface Said {
  readonly source: string;
  readonly assumed: boolean;
}

function Asks({ now, zone }: { now: Now; zone: BoardZone }) {
  const { sources, feed } = now;
  return (
    <table className={styles["asks"]}>
      <tbody>
        <Ask name="Water, against a reference crop (Kc)" said={sources.kc}>
          <Measure text={now.kc.toFixed(2)} unit="× ET₀" />
        </Ask>
        <Ask name="Leaf area" said={sources.leafArea}>
          <Measure text={showDigits(now.leafAreaIndex)} unit="m² a m²" />
        </Ask>
        <Ask name="Roots reach down to" said={sources.rootDepth}>
          <Amount quantity="length" value={now.rootDepthM} />
        </Ask>
        {now.drainTargetPct !== null && (
          <Ask name="Drain" said={sources.drainTarget}>
            <Measure text={showDigits(now.drainTargetPct)} unit="% of the water given" />
          </Ask>
        )}
        {now.drierPct > 0 && (
          <Ask name="Let dry by more before water" said={sources.stages}>
            <Measure text={showDigits(now.drierPct)} unit="% of available water" />
          </Ask>
        )}
        {feed && (
          <Ask name={`Feed: ${feed.name}`} said={feed}>
            <Measure text={feed.ecMsCm.toFixed(1)} unit={`mS/cm, pH ${feed.ph.toFixed(1)}`} />
          </Ask>
        )}
        <Ask name="Stage lasts" said={sources.stages}>
          <Measure text={String(now.days)} unit="days, unless the next is seen" />
        </Ask>
      </tbody>
      <caption>
        The figures of {zone.crop?.name.toLowerCase() ?? "this crop"}. What is marked is assumed, not published: trust
        what you see.
      </caption>
    </table>
  );
}

function Ask({ name, said, children }: { name: string; said: Said; children: React.ReactNode }) {
  return (
    <tr>
      <th scope="row">
        {name}
        <span className={styles["source"]}>
          {said.assumed && <strong className="act">assumed · </strong>}
          {said.source}
        </span>
      </th>
      <td>{children}</td>
    </tr>
  );
}

/** What stood here before, and what came off it. */
function Before({ past }: { past: ZoneCrop["past"] }) {
  const dates = useDates();
  if (past.length === 0) return null;
  return (
    <section aria-label="Before" className={styles["before"]}>
      <h2>Before</h2>
      <dl className={styles["next"]}>
        {past.map(({ key, from, to, cropName, part, year, soldAs, pickedPerM2 }) => (
          <div key={`${key} ${from}`}>
            <dt>
              {dates.show(from, "year")} to {dates.show(addDays(to, -1), "year")}
            </dt>
            <dd>
              {cropName}
              {part && `, ${rowsWords(part)}`}
              {year !== null && `, year ${year}`}
              <span className="quiet">
                {" · "}
                {pickedPerM2 === null ? "no pick was noted" : <Yield soldAs={soldAs} perM2={pickedPerM2} />}
              </span>
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

function Next({ planting: { stages, perennial }, date }: { planting: PlantingTime; date: string }) {
  const dates = useDates();
  const coming = stages.filter(({ from }) => from > date);
  const last = stages.at(-1);
  if (!last || last.to <= date) return null;
  return (
    <>
      <h2>Next in this crop</h2>
      <dl className={styles["next"]}>
        {coming.map((stage) => (
          <div key={stage.id}>
            <dt>{startWords(stage, dates, "weekday")}</dt>
            <dd>{stage.name}</dd>
          </div>
        ))}
        <div>
          <dt>{dates.show(last.to, "weekday")}</dt>
          <dd>{perennial ? "its stages begin anew" : "the last stage is over"}</dd>
        </div>
      </dl>
    </>
  );
}
