import type { ZoneDayAnswer } from "@sprunel/contract/plan";
import { ProblemNote } from "../parts/problem.tsx";
import { useSiteTime } from "../place/use-site-time.ts";
import { useDates } from "../units/dates.tsx";
import styles from "./advice.module.css";
import { decisionWords } from "./finding-words.ts";
import { useTakeBack } from "./use-decide.ts";

/** The correction that the plan counts on, until somebody takes it back. */
export function CorrectionInForce({
  zoneId,
  inForce,
}: {
  zoneId: number;
  inForce: NonNullable<ZoneDayAnswer["inForce"]>;
}) {
  const dates = useDates();
  const { date } = useSiteTime();
  const back = useTakeBack(zoneId);
  return (
    <div className={styles["inForce"]}>
      <span className="quiet">The plan counts on a correction. {decisionWords(inForce, date, dates)}</span>
      <button type="button" disabled={back.isPending} onClick={() => back.mutate(inForce.id)}>
        Take it back
      </button>
      {back.isError && <ProblemNote error={back.error} />}
    </div>
  );
}
