import type { PlannedDose } from "@sprunel/contract/feed";
import { daysBetween } from "@sprunel/core/time";
import { useDates } from "../../units/dates.tsx";
import { useUnits } from "../../units/use-units.tsx";
import styles from "./dose-lane.module.css";
import { useDosePlan } from "./use-doses.ts";

/** The doses of a planting under its stages: a mark each, as high as its nitrogen; only where a programme is in force. */
export function DoseLane({
  zoneId,
  date,
  from,
  to,
}: {
  zoneId: number;
  date: string | null;
  /** the days that the line spans, the second not among them */
  from: string;
  to: string;
}) {
  const dates = useDates();
  const { show } = useUnits();
  const plan = useDosePlan(zoneId, date).data;
  if (!plan || plan.version === null) return null;
  const shown = plan.doses.filter(({ on }) => on >= from && on < to);
  if (shown.length === 0) return null;
  const most = Math.max(1e-9, ...shown.map(({ nutrientsKgHa }) => nutrientsKgHa.N));
  const place = (on: string): number => (100 * daysBetween(from, on)) / daysBetween(from, to);
  const words = ({ on, state, onlyIf, nutrientsKgHa }: PlannedDose): string => {
    const { text, unit } = show("perLand", nutrientsKgHa.N);
    return `${dates.show(on, "day")}: ${text} ${unit} of N, ${state}${onlyIf ? `, only if ${onlyIf}` : ""}`;
  };
  return (
    <div className={styles["lane"]} role="img" aria-label={`${shown.length} doses: ${shown.map(words).join("; ")}`}>
      {shown.map((dose) => (
        <i
          key={`${dose.on} ${dose.basal} ${dose.record?.id ?? ""}`}
          data-state={dose.state}
          title={words(dose)}
          style={{ left: `${place(dose.on)}%`, height: `${30 + (70 * dose.nutrientsKgHa.N) / most}%` }}
        />
      ))}
      <span>doses</span>
    </div>
  );
}
