import type { Figure as FigureName } from "@sprunel/contract/plan";
import type { ReactNode } from "react";
import styles from "./working.module.css";
import { useWorking } from "./use-working.ts";

/** A figure with a dotted underline: choose it and its working opens. */
export function Figure({ zoneId, figure, children }: { zoneId: number; figure: FigureName; children: ReactNode }) {
  const { open } = useWorking();
  return (
    <button
      type="button"
      className={styles["figure"]}
      data-figure={figure}
      data-zone={zoneId}
      title="How it was computed (w)"
      onClick={() => open({ zoneId, figure })}
    >
      {children}
    </button>
  );
}
