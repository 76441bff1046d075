import { useTold } from "../units/told.ts";
import { ProblemNote } from "../parts/problem.tsx";
import styles from "./forms.module.css";

/** What belongs to no single field, or else what went wrong on the way. */
export function Faults({ faults, error }: { faults: readonly string[]; error: Error | null }) {
  const told = useTold();
  return (
    <>
      {faults.map((message) => (
        <p key={message} role="alert" className={styles["fault"]}>
          {told(message)}
        </p>
      ))}
      {error && faults.length === 0 && <ProblemNote error={error} />}
    </>
  );
}
