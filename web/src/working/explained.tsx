import type { WorkingStep } from "@sprunel/core/working";
import { useState, type ReactNode } from "react";
import { StepsDrawer } from "./steps-drawer.tsx";
import styles from "./working.module.css";

/** A figure that brings its own sum: dotted underline, and the sum opens when it is chosen. */
export function Explained({
  title,
  steps,
  children,
}: {
  title: string;
  steps: readonly WorkingStep[];
  children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className={styles["figure"]} onClick={() => setOpen(true)}>
        {children}
      </button>
      {open && <StepsDrawer title={title} steps={steps} onClose={() => setOpen(false)} />}
    </>
  );
}
