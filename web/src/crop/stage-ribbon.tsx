import type { StageTime } from "@sprunel/contract/crop";
import { namesOn, placeOf, type Calendar } from "./calendar.ts";
import styles from "./stage-ribbon.module.css";
import { useDates } from "../units/dates.tsx";
import { kindOf, spreadDays, startWords, useProgress } from "./stage-words.ts";

/** From here on a date's label stands before its line: after it, it would leave the page. */
const LABEL_FITS_PCT = 85;

/** The months over a ribbon; the years over a long one. */
export function Months({ calendar }: { calendar: Calendar }) {
  return (
    <div className={styles["months"]} aria-hidden>
      {namesOn(calendar).map(({ date, name }) => (
        <span key={date} style={{ left: `${placeOf(date, calendar)}%` }}>
          {name}
        </span>
      ))}
    </div>
  );
}

/** The date that is looked at, across whatever stands under it. */
export function DateLine({ date, calendar, label }: { date: string; calendar: Calendar; label?: string }) {
  const place = placeOf(date, calendar);
  return (
    <div className={styles["line"]} style={{ left: `${place}%` }}>
      {label !== undefined && <span className={place > LABEL_FITS_PCT ? styles["atLeft"] : undefined}>{label}</span>}
    </div>
  );
}

/** A planting's stages on the line: what is over quiet, the one of the date strong, what is to come pale. */
export function StageRibbon({
  stages,
  date,
  calendar,
  roomy = false,
}: {
  stages: readonly StageTime[];
  date: string;
  calendar: Calendar;
  /** with a second line of words in each stage */
  roomy?: boolean;
}) {
  const dates = useDates();
  const progress = useProgress();
  const words = (stage: StageTime): string => {
    const kind = kindOf(stage, date);
    if (kind === "now") return progress(stage);
    return kind === "over"
      ? `${stage.seen ? "seen" : "from"} ${dates.show(stage.from, "day")}`
      : startWords(stage, dates, "day");
  };
  return (
    <ol className={`${styles["ribbon"] ?? ""} ${roomy ? (styles["roomy"] ?? "") : ""}`}>
      {stages
        .filter(({ from, to }) => to > calendar.from && from < calendar.to)
        .map((stage) => {
          const [left, right] = [placeOf(stage.from, calendar), placeOf(stage.to, calendar)];
          return (
            <li
              key={stage.id}
              className={styles[kindOf(stage, date)]}
              data-picking={stage.picking || undefined}
              style={{ left: `${left}%`, width: `calc(${right - left}% - 2px)` }}
              title={`${stage.name}, ${dates.show(stage.from, "day")} to ${dates.show(stage.to, "day")}${stage.seen ? ", seen" : ""}; ${progress(stage)}`}
            >
              <span>{stage.name}</span>
              {roomy && <small>{words(stage)}</small>}
            </li>
          );
        })}
      {roomy &&
        stages
          .filter((stage) => spreadDays(stage) !== null)
          .map(({ id, early, late }) => (
            <li
              key={`${id} spread`}
              aria-hidden
              className={styles["spread"]}
              style={{
                left: `${placeOf(early ?? "", calendar)}%`,
                width: `${placeOf(late ?? "", calendar) - placeOf(early ?? "", calendar)}%`,
              }}
            />
          ))}
    </ol>
  );
}
