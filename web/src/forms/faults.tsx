import { ProblemNote } from "../http/problem.tsx";
import styles from "./forms.module.css";

/** What belongs to no single field, or else what went wrong on the way. */
export function Faults({ faults, error }: { faults: readonly string[]; error: Error | null }) {
  return (
    <>
      {faults.map((message) => (
        <p key={message} role="alert" className={styles["fault"]}>
          {message}
        </p>
      ))}
      {error && faults.length === 0 && <ProblemNote error={error} />}
    </>
  );
}
