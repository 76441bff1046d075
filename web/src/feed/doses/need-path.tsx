import type { DosePlan } from "@sprunel/contract/feed";
import type { School } from "@sprunel/core/feed/doses";
import { daysBetween } from "@sprunel/core/time";
import Select from "antd/es/select";
import { useState } from "react";
import { useDates } from "../../units/dates.tsx";
import { useUnits } from "../../units/use-units.tsx";
import styles from "./doses.module.css";
import { SCHOOL_NAMES } from "./programme-form.tsx";

const NUTRIENTS = ["N", "P", "K"] as const;
const NONE = "none";
const [WIDTH, HEIGHT] = [300, 90];

/** What is needed, and what was given or is still planned, by each day of the season, a small picture for each nutrient. */
export function NeedPath({
  path,
  schools,
  date,
}: {
  path: DosePlan["path"];
  schools: DosePlan["schools"];
  date: string;
}) {
  const dates = useDates();
  const { show } = useUnits();
  const [beside, setBeside] = useState<School | null>(null);
  const other = schools.find(({ school }) => school === beside)?.path ?? null;
  const [first, last] = [path[0], path.at(-1)];
  if (!first || !last || first === last) return null;
  const days = daysBetween(first.on, last.on);
  const x = (on: string): number => (WIDTH * Math.min(days, Math.max(0, daysBetween(first.on, on)))) / days;
  return (
    <section aria-label="Need against doses" className={styles["paths"]}>
      {NUTRIENTS.map((nutrient) => {
        const most = Math.max(1e-9, last.need[nutrient], last.planned[nutrient], other?.at(-1)?.[nutrient] ?? 0);
        const y = (kgHa: number): number => HEIGHT - (HEIGHT * kgHa) / most;
        const line = (of: (point: DosePlan["path"][number]) => number): string =>
          path.map((point, at) => `${at === 0 ? "M" : "L"}${x(point.on)} ${y(of(point))}`).join("");
        const end = other?.at(-1)?.[nutrient];
        const otherEnd = end === undefined ? undefined : show("perLand", end);
        const [need, planned] = [show("perLand", last.need[nutrient]), show("perLand", last.planned[nutrient])];
        return (
          <figure key={nutrient}>
            <figcaption>
              <strong>{nutrient}</strong> to {planned.text} {planned.unit}
            </figcaption>
            <svg
              viewBox={`0 -2 ${WIDTH} ${HEIGHT + 4}`}
              role="img"
              aria-label={`${nutrient} over the season: needed ${need.text} ${need.unit}, in doses ${planned.text} ${planned.unit}${otherEnd === undefined ? "" : `, by the other school ${otherEnd.text} ${otherEnd.unit}`}, by ${dates.show(last.on, "day")}`}
            >
              <path d={line((point) => point.need[nutrient])} fill="none" stroke="var(--plant)" strokeWidth="2" />
              <path d={line((point) => point.planned[nutrient])} fill="none" stroke="var(--feed)" strokeWidth="2" />
              {other && (
                <path
                  d={path
                    .map(({ on }, at) => `${at === 0 ? "M" : "L"}${x(on)} ${y(other[at]?.[nutrient] ?? 0)}`)
                    .join("")}
                  fill="none"
                  stroke="var(--pipe)"
                  strokeWidth="2"
                  strokeDasharray="5 4"
                />
              )}
              <line x1={x(date)} x2={x(date)} y1="0" y2={HEIGHT} stroke="var(--act)" strokeWidth="1.5" />
              <line x1="0" x2={WIDTH} y1={HEIGHT} y2={HEIGHT} stroke="var(--line)" />
            </svg>
          </figure>
        );
      })}
      <p className={styles["per"]}>
        <span className={styles["otherLine"]}>beside it</span>
        <Select<School | typeof NONE>
          aria-label="School beside it"
          value={beside ?? NONE}
          options={[
            { value: NONE, label: "no other school" },
            ...schools
              .filter(({ path: own }) => own !== null)
              .map(({ school }) => ({ value: school, label: SCHOOL_NAMES[school] })),
          ]}
          onChange={(value) => setBeside(value === NONE ? null : value)}
          className="select-l"
        />
      </p>
      <p className="quiet">
        <span className={styles["needLine"]}>needed</span> as the crop takes it up ·{" "}
        <span className={styles["doseLine"]}>in doses</span>, given or still planned, from {dates.show(first.on, "day")}{" "}
        to {dates.show(last.on, "day")}
      </p>
    </section>
  );
}
