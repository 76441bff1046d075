import type { BoardZone } from "@sprunel/contract/today";
import { Link } from "react-router";
import { Mark } from "../parts/mark.tsx";
import type { STATIONS } from "../place/stations.ts";
import { usePlace } from "../place/use-place.ts";
import { SYSTEM_WORDS } from "../systems/words.ts";
import { showDigits } from "../units/show.ts";
import { Amount, Measure, useUnits } from "../units/use-units.tsx";
import { Yield } from "../units/yield.tsx";
import styles from "./board.module.css";
import { outsideWords } from "../words/outside-words.ts";
import { MISSING_WORDS } from "../words/missing-words.ts";
import { StageBar, TargetBar } from "../parts/small-bars.tsx";

/** One zone's row: its name, then one figure for each station. */
export function BoardRow({ zone }: { zone: BoardZone }) {
  const { addressOf } = usePlace();
  const to = (station: (typeof STATIONS)[number]["id"]): string => addressOf({ zoneId: zone.id, station });
  return (
    <div className={styles["row"]} role="row">
      <Link role="rowheader" className={styles["zone"]} to={to("run")}>
        <Mark kind={zone.missing ? "none" : zone.mark} />
        <span className={styles["who"]}>
          <span className={styles["zoneName"]}>{zone.name}</span>
          <span className={styles["sub"]}>
            {zone.house} · {SYSTEM_WORDS[zone.system].name}
          </span>
        </span>
      </Link>
      <div className={styles["cells"]} role="presentation">
        <WaterCell zone={zone} to={to("water")} />
        <FeedCell zone={zone} to={to("feed")} />
        <RunCell zone={zone} to={to("run")} />
        <RootsCell zone={zone} to={to("roots")} />
        <CropCell zone={zone} to={to("crop")} />
        <HarvestCell zone={zone} to={to("harvest")} />
      </div>
    </div>
  );
}

/** The water that a zone drinks most of; its share, where there are several. */
function mostOf(waters: NonNullable<BoardZone["water"]>["waters"]): string {
  const [most] = [...waters].sort((a, b) => b.sharePct - a.sharePct);
  if (!most) return "";
  return waters.length === 1 ? most.name : `${Math.round(most.sharePct)} % ${most.name}`;
}

/** How long the water lasts that the zone drinks, and what it is. */
function WaterCell({ zone, to }: { zone: BoardZone; to: string }) {
  const { water } = zone;
  return (
    <Link role="cell" className={styles["cell"]} to={to}>
      {water ? (
        <>
          <span className={styles["key"]}>
            {water.stored ? (
              <Measure
                text={water.daysLeft === null ? "6+" : String(water.daysLeft)}
                unit={water.daysLeft === null ? "weeks" : "days left"}
              />
            ) : (
              <Measure text={String(Math.round(water.waters[0]?.sharePct ?? 0))} unit="%" />
            )}
          </span>
          <span className={styles["sub"]}>{mostOf(water.waters)}</span>
        </>
      ) : (
        <span className={styles["sub"]}>no source yet</span>
      )}
    </Link>
  );
}

/** The feed as it was last measured; the recipe stands one step further. */
function FeedCell({ zone, to }: { zone: BoardZone; to: string }) {
  const fedEc = (zone.roots?.kind === "drained" && zone.roots.drain?.feedEcMsCm) || null;
  return (
    <Link
      role="cell"
      className={styles["cell"]}
      to={to}
      aria-label={fedEc !== null ? `feed EC ${showDigits(fedEc)} mS/cm` : "feed not read; its recipe"}
      {...(fedEc !== null && { "data-figure": "feedEc", "data-zone": zone.id })}
    >
      {fedEc !== null ? (
        <>
          <span className={styles["key"]}>
            <Measure text={fedEc.toFixed(2)} unit="mS/cm" />
          </span>
          <span className={styles["sub"]}>fed, as read</span>
        </>
      ) : (
        <>
          <span className={styles["key"]}>–</span>
          <span className={styles["sub"]}>feed not read</span>
        </>
      )}
    </Link>
  );
}

function RunCell({ zone, to }: { zone: BoardZone; to: string }) {
  const { run, missing } = zone;
  if (!run) return <MissingCell to={to} words={missing && MISSING_WORDS[missing]} />;
  return (
    <Link role="cell" className={cellClass(run.mark)} to={to} data-figure="litres" data-zone={zone.id}>
      <CellMark mark={run.mark} />
      <span className={styles["key"]}>
        <Amount quantity="volume" value={run.litres} />
      </span>
      {run.litres > 0 ? (
        <span className={styles["sub"]}>
          {run.pulses} {run.pulses === 1 ? "pulse" : "pulses"} · {Math.round(run.minutes)}&nbsp;min
        </span>
      ) : (
        <span className={styles["sub"]}>no water needed</span>
      )}
    </Link>
  );
}

function RootsCell({ zone, to }: { zone: BoardZone; to: string }) {
  const { roots, rootsMark, missing } = zone;
  if (!roots) return <MissingCell to={to} words={missing && MISSING_WORDS[missing]} />;
  if (roots.kind === "stored") return <StoreCell zone={zone} roots={roots} to={to} />;
  const { drain, drainTargetPct, heldPct } = roots;
  return (
    <Link
      role="cell"
      className={cellClass(rootsMark)}
      to={to}
      {...(drain && { "data-figure": "drain", "data-zone": zone.id })}
    >
      <CellMark mark={rootsMark} />
      <span className={styles["key"]}>
        {drain ? (
          <Measure text={showDigits(drain.sharePct)} unit="% drain" />
        ) : (
          <Measure text="–" unit="no drain reading" />
        )}
      </span>
      <span className={styles["sub"]}>
        of {showDigits(drainTargetPct)} %{drain && drain.ecMsCm !== null && ` · EC ${showDigits(drain.ecMsCm)} mS/cm`}
        {!drain && heldPct !== null && ` · holds ${showDigits(heldPct)} %`}
      </span>
      {drain && <TargetBar value={drain.sharePct} from={drainTargetPct - 5} to={drainTargetPct + 5} most={60} />}
    </Link>
  );
}

type StoreRoots = Exclude<BoardZone["roots"], { kind: "drained" } | null>;

/** Soil, tank, pots or basin: what is missing, in the words of each, and the mark at which it is filled. */
function StoreCell({ zone, roots, to }: { zone: BoardZone; roots: StoreRoots; to: string }) {
  const { show } = useUnits();
  const { key, sub } = SYSTEM_WORDS[roots.system].state(roots, show, false);
  return (
    <Link role="cell" className={cellClass(zone.rootsMark)} to={to} data-figure="depletion" data-zone={zone.id}>
      <CellMark mark={zone.rootsMark} />
      <span className={styles["key"]}>
        <Measure {...key} />
      </span>
      <span className={styles["sub"]}>{sub}</span>
      <TargetBar value={roots.depletionMm} from={0} to={roots.triggerMm} most={roots.availableMm} />
    </Link>
  );
}

function CropCell({ zone, to }: { zone: BoardZone; to: string }) {
  const { crop, missing } = zone;
  if (!crop) return <MissingCell to={to} words={missing && MISSING_WORDS[missing]} />;
  return (
    <Link role="cell" className={styles["cell"]} to={to} data-figure="stage" data-zone={zone.id}>
      <CellMark mark={crop.outside.length > 0 ? "watch" : "steady"} />
      <span className={`${styles["key"]} ${styles["words"]}`} title={crop.stage}>
        {crop.stage}
      </span>
      <span className={styles["sub"]}>
        {crop.outside[0] ? outsideWords(crop.outside[0]) : `day ${crop.day} of ${crop.days}`}
      </span>
      <StageBar share={crop.day / crop.days} />
    </Link>
  );
}

function HarvestCell({ zone, to }: { zone: BoardZone; to: string }) {
  const { harvest, missing } = zone;
  // What is picked does not ask for weather.
  if (!harvest)
    return <MissingCell to={to} words={missing === "not-planted" ? MISSING_WORDS[missing] : "not picked yet"} />;
  return (
    <Link role="cell" className={styles["cell"]} to={to}>
      {harvest.picking || harvest.pickedPerM2 > 0 ? (
        <span className={styles["key"]}>
          <Yield soldAs={harvest.soldAs} perM2={harvest.pickedPerM2} />
        </span>
      ) : (
        <span className={styles["key"]}>–</span>
      )}
      <span className={styles["sub"]}>
        {harvest.pathPerM2 === null ? (
          "no target"
        ) : harvest.picking || harvest.pickedPerM2 > 0 ? (
          <>
            of <Yield soldAs={harvest.soldAs} perM2={harvest.pathPerM2} />
          </>
        ) : (
          "not picked yet"
        )}
      </span>
    </Link>
  );
}

function MissingCell({ to, words }: { to: string; words: string | null }) {
  return (
    <Link role="cell" className={`${styles["cell"]} ${styles["empty"]}`} to={to}>
      <span className={styles["key"]}>–</span>
      <span className={styles["sub"]}>{words}</span>
    </Link>
  );
}

function cellClass(mark: BoardZone["mark"]): string {
  return `${styles["cell"]} ${mark === "act" ? styles["act"] : ""}`;
}

/** A steady cell is silent. */
function CellMark({ mark }: { mark: BoardZone["mark"] }) {
  if (mark === "steady") return null;
  return (
    <span className={styles["cellMark"]}>
      <Mark kind={mark} />
    </span>
  );
}
