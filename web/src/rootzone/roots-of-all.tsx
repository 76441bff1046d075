import type { RootStation } from "@sprunel/contract/rootzone";
import type { Board, BoardZone } from "@sprunel/contract/today";
import { Outline } from "../parts/outline.tsx";
import { Link } from "react-router";
import { ProblemNote } from "../parts/problem.tsx";
import { Mark } from "../parts/mark.tsx";
import { BandBar, TargetBar } from "../parts/small-bars.tsx";
import { Views } from "../parts/views.tsx";
import { ageWords } from "../place/age.ts";
import { usePlace } from "../place/use-place.ts";
import { useView } from "../place/use-view.ts";
import { showDigits } from "../units/show.ts";
import { Measure, useUnits } from "../units/use-units.tsx";
import { MISSING_WORDS } from "../words/missing-words.ts";
import { SYSTEM_WORDS } from "../systems/words.ts";
import type { ReadingField } from "../systems/reading-field.ts";
import { Round } from "./round.tsx";
import styles from "./roots-of-all.module.css";
import { useRootStation } from "./use-readings.ts";
import { SetUpLink } from "../place/set-up-link.tsx";

const VIEWS = { zones: "Root zones", round: "The round" } as const;

/** Every root zone beside its band with the age of what was read there, and the round with pen, bucket and rule. */
export function RootsOfAll({ board }: { board: Board }) {
  const { date } = usePlace();
  const last = useRootStation(date);
  const [view, show] = useView(VIEWS);
  if (last.isError && !last.data) return <ProblemNote error={last.error} onRetry={() => void last.refetch()} />;
  if (!last.data) return <Outline />;
  if (board.zones.length === 0)
    return (
      <>
        <h1>All root zones</h1>
        <p>
          There is no zone yet. <SetUpLink of="new">Add the first zone</SetUpLink>, and its roots stand here.
        </p>
      </>
    );
  return (
    <>
      <h1>All root zones</h1>
      <Views label="Parts of the roots" views={VIEWS} shown={view} onShow={show} />
      {view === "zones" ? (
        <div className={styles["zones"]} role="table" aria-label="Root zones">
          {board.zones.map((zone) => (
            <ZoneRow
              key={zone.id}
              zone={zone}
              now={board.now}
              read={last.data.zones.find(({ zoneId }) => zoneId === zone.id)}
            />
          ))}
        </div>
      ) : (
        <Round board={board} last={last.data} />
      )}
    </>
  );
}

type ReadZone = RootStation["zones"][number];

function ZoneRow({ zone, now, read }: { zone: BoardZone; now: string; read: ReadZone | undefined }) {
  const { addressOf } = usePlace();
  return (
    <div role="row" className={`${styles["row"] ?? ""} ${zone.rootsMark === "act" ? (styles["act"] ?? "") : ""}`}>
      <Link role="rowheader" className={styles["zone"]} to={addressOf({ zoneId: zone.id })}>
        <Mark kind={zone.missing ? "none" : zone.rootsMark} />
        <span>
          <span className={styles["name"]}>{zone.name}</span>
          <span className={styles["sub"]}>{SYSTEM_WORDS[zone.system].name}</span>
        </span>
      </Link>
      <div role="cell">
        <Water zone={zone} now={now} />
      </div>
      {SYSTEM_WORDS[zone.system].readings
        .filter(({ key }) => key !== "drainPct" && key !== "levelCm")
        .slice(0, 3)
        .map((field) => (
          <Read key={field.key} field={field} now={now} read={read} />
        ))}
    </div>
  );
}

/** The water of the root zone: what is held or missing, against what is wished. */
function Water({ zone: { roots, missing }, now }: { zone: BoardZone; now: string }) {
  const { show } = useUnits();
  if (!roots) return <span className={styles["sub"]}>{missing ? MISSING_WORDS[missing] : "not known"}</span>;
  if (roots.kind === "stored") {
    const { key, sub } = SYSTEM_WORDS[roots.system].state(roots, show, true);
    return (
      <>
        <span className={styles["key"]}>
          <Measure {...key} />
        </span>
        <TargetBar value={roots.depletionMm} from={0} to={roots.triggerMm} most={roots.availableMm} />
        <span className={styles["sub"]}>{sub}</span>
      </>
    );
  }
  const { drain, drainTargetPct } = roots;
  if (!drain) return <span className={styles["sub"]}>no drain reading · wished {showDigits(drainTargetPct)} %</span>;
  return (
    <>
      <span className={styles["key"]}>
        <Measure text={showDigits(drain.sharePct)} unit="% drain" />
      </span>
      <TargetBar value={drain.sharePct} from={drainTargetPct - 5} to={drainTargetPct + 5} most={60} />
      <span className={styles["sub"]}>
        of {showDigits(drainTargetPct)} % · {ageWords(drain.at, now)}
      </span>
    </>
  );
}

/** What a pen or a gauge said last, beside the band in which it may lie. */
function Read({ field, now, read }: { field: ReadingField; now: string; read: ReadZone | undefined }) {
  const [newest] = read?.past[field.key] ?? [];
  const band = read?.bands[field.key];
  const out = newest && band ? newest.value < band.from || newest.value > band.to : false;
  return (
    <div role="cell">
      <span className={styles["sub"]}>{field.label}</span>
      {newest ? (
        <>
          <span className={`${styles["key"] ?? ""} ${out ? (styles["out"] ?? "") : ""}`}>
            <Measure text={newest.value.toFixed(field.digits)} unit={field.unit ?? ""} />
          </span>
          {band && <BandBar value={newest.value} {...band} />}
          <span className={styles["sub"]}>
            {band && `${band.from.toFixed(field.digits)} to ${band.to.toFixed(field.digits)} · `}
            {ageWords(newest.at, now)}
          </span>
        </>
      ) : (
        <span className={styles["none"]}>never read</span>
      )}
    </div>
  );
}
