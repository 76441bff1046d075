import { Told } from "../units/told.ts";
import type { WorkingStep } from "@sprunel/core/working";
import type { ReactNode } from "react";
import { Explained } from "../working/explained.tsx";
import styles from "./sums.module.css";

interface Sum {
  readonly working: readonly WorkingStep[];
  readonly warnings?: readonly string[];
}

/** What a sum comes to, with its working and its warnings; or why it cannot be done. */
export function Answer<T extends Sum>({
  title,
  sum,
  children,
}: {
  title: string;
  /** null while something is still to be typed */
  sum: T | string | null;
  children(answer: T): ReactNode;
}) {
  if (sum === null) return <p className="quiet">Type every figure to see the sum.</p>;
  if (typeof sum === "string") return <p role="alert">{sum}</p>;
  return (
    <div role="status">
      <p className={styles["answer"]}>
        <Explained title={title} steps={sum.working}>
          {children(sum)}
        </Explained>
      </p>
      {sum.warnings?.map((warning) => (
        <p key={warning} className={styles["warning"]}>
          <Told>{warning}</Told>
        </p>
      ))}
    </div>
  );
}
