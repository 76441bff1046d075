import type { BoardZone } from "@sprunel/contract";
import { Link } from "react-router";
import { Mark } from "../shell/mark.tsx";
import type { STATIONS } from "../shell/stations.ts";
import { usePlace } from "../shell/use-place.ts";
import { systemWords } from "../site/system-words.ts";
import { showDigits } from "../units/show.ts";
import { Amount, Measure, useUnits } from "../units/use-units.tsx";
import styles from "./board.module.css";
import { MISSING_WORDS } from "./missing-words.ts";
import { StageBar, TargetBar } from "./small-bars.tsx";

/** One zone's row: its name, then one figure for each station. */
export function BoardRow({ zone }: { zone: BoardZone }) {
  const { addressOf } = usePlace();
  const to = (station: (typeof STATIONS)[number]["id"]): string => addressOf({ zoneId: zone.id, station });
  return (
    <div className={styles["row"]} role="row">
      <Link role="rowheader" className={styles["zone"]} to={to("run")}>
        <Mark kind={zone.missing ? "none" : zone.mark} />
        <span style={{ minWidth: 0 }}>
          <span className={styles["zoneName"]}>{zone.name}</span>
          <span className={styles["sub"]}>
            {zone.house} · {systemWords(zone.system)}
          </span>
        </span>
      </Link>
      <div className={styles["cells"]} role="presentation">
        <WaterCell to={to("water")} />
        <FeedCell zone={zone} to={to("feed")} />
        <RunCell zone={zone} to={to("run")} />
        <RootsCell zone={zone} to={to("roots")} />
        <CropCell zone={zone} to={to("crop")} />
        <Cell to={to("harvest")} />
      </div>
    </div>
  );
}

/** A station that is not built yet: a dash, never a figure. */
function Cell({ to }: { to: string }) {
  return (
    <Link
      role="cell"
      className={`${styles["cell"]} ${styles["empty"]}`}
      to={to}
      aria-label="not built yet"
      title="Not built yet"
    >
      –
    </Link>
  );
}

/** Days of storage are not built yet; what stands there are the lab reports. */
function WaterCell({ to }: { to: string }) {
  return (
    <Link role="cell" className={styles["cell"]} to={to}>
      <span className={styles["sub"]}>lab reports</span>
    </Link>
  );
}

/** The feed as it was last measured; the recipe stands one step further. */
function FeedCell({ zone, to }: { zone: BoardZone; to: string }) {
  const drain = zone.roots?.kind === "substrate" ? zone.roots.drain : null;
  return (
    <Link
      role="cell"
      className={styles["cell"]}
      to={to}
      aria-label={drain ? `feed EC ${showDigits(drain.feedEcMsCm)} mS/cm` : "recipe"}
    >
      {drain ? (
        <>
          <span className={styles["key"]}>
            <Measure text={drain.feedEcMsCm.toFixed(2)} unit="mS/cm" />
          </span>
          <span className={styles["sub"]}>fed, as read</span>
        </>
      ) : (
        <span className={styles["sub"]}>recipe, no EC read</span>
      )}
    </Link>
  );
}

function RunCell({ zone, to }: { zone: BoardZone; to: string }) {
  const { run, missing } = zone;
  if (!run) return <MissingCell to={to} missing={missing} />;
  return (
    <Link role="cell" className={cellClass(run.mark)} to={to} data-figure="litres" data-zone={zone.id}>
      <CellMark mark={run.mark} />
      <span className={styles["key"]}>
        <Amount quantity="volume" value={run.litres} />
      </span>
      {run.litres > 0 ? (
        <span className={styles["sub"]}>
          {run.pulses} {run.pulses === 1 ? "pulse" : "pulses"} · {showDigits(run.minutes)} min ·{" "}
          <Amount quantity="volume" value={run.litresPerPlant} note="a plant" />
        </span>
      ) : (
        <span className={styles["sub"]}>no water needed</span>
      )}
    </Link>
  );
}

function RootsCell({ zone, to }: { zone: BoardZone; to: string }) {
  const { show } = useUnits();
  const { roots, rootsMark, missing } = zone;
  if (!roots) return <MissingCell to={to} missing={missing} />;
  if (roots.kind === "soil-drip") {
    const { text, unit } = show("waterDepth", roots.depletionMm);
    return (
      <Link role="cell" className={cellClass(rootsMark)} to={to} data-figure="depletion" data-zone={zone.id}>
        <CellMark mark={rootsMark} />
        <span className={styles["key"]}>
          <Measure text={text} unit={`${unit} short`} />
        </span>
        <span className={styles["sub"]}>
          watered from <Amount quantity="waterDepth" value={roots.triggerMm} />
        </span>
        <TargetBar value={roots.depletionMm} from={0} to={roots.triggerMm} most={roots.availableMm} />
      </Link>
    );
  }
  const { drain, drainTargetPct, heldPct } = roots;
  return (
    <Link role="cell" className={cellClass(rootsMark)} to={to}>
      <CellMark mark={rootsMark} />
      <span className={styles["key"]}>
        {drain ? (
          <Measure text={showDigits(drain.sharePct)} unit="% drain" />
        ) : (
          <Measure text="–" unit="no drain reading" />
        )}
      </span>
      <span className={styles["sub"]}>
        of {showDigits(drainTargetPct)} %{drain && ` · EC ${showDigits(drain.ecMsCm)} mS/cm`}
        {!drain && heldPct !== null && ` · holds ${showDigits(heldPct)} %`}
      </span>
      {drain && <TargetBar value={drain.sharePct} from={drainTargetPct - 5} to={drainTargetPct + 5} most={60} />}
    </Link>
  );
}

function CropCell({ zone, to }: { zone: BoardZone; to: string }) {
  const { crop, missing } = zone;
  if (!crop) return <MissingCell to={to} missing={missing} />;
  return (
    <Link role="cell" className={styles["cell"]} to={to}>
      <span className={styles["key"]}>{crop.stage}</span>
      <span className={styles["sub"]}>
        day {crop.day} of {crop.days}
      </span>
      <StageBar share={crop.day / crop.days} />
    </Link>
  );
}

function MissingCell({ to, missing }: { to: string; missing: BoardZone["missing"] }) {
  return (
    <Link role="cell" className={`${styles["cell"]} ${styles["empty"]}`} to={to}>
      <span className={styles["key"]}>–</span>
      <span className={styles["sub"]}>{missing && MISSING_WORDS[missing]}</span>
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
