import { showNumber, type WorkingStep } from "@sprunel/core/working";
import Drawer from "antd/es/drawer";
import type { ReactNode } from "react";
import styles from "./working.module.css";

interface Props {
  readonly title: string;
  readonly steps: readonly WorkingStep[];
  onClose(): void;
  readonly before?: ReactNode;
  readonly after?: ReactNode;
}

/** A sum, line by line: formula, the numbers in it, its source. The last line is the figure asked for. */
export function StepsDrawer({ title, steps, onClose, before, after }: Props) {
  return (
    <Drawer open size={480} onClose={onClose} title={title} styles={{ mask: { background: "rgb(20 37 31 / 18%)" } }}>
      {before}
      <ol className={styles["steps"]} tabIndex={0} aria-label="The sum, line by line">
        {steps.map((step, index) => (
          <li
            key={`${index} ${step.label}`}
            className={index === steps.length - 1 && after ? styles["last"] : styles["step"]}
          >
            <div className={styles["head"]}>
              <span>{step.label}</span>
              <span className={styles["value"]}>
                {showNumber(step.value)} {step.unit}
              </span>
            </div>
            <div className={styles["formula"]}>{step.formula}</div>
            <div className={styles["formula"]}>= {step.substituted}</div>
            <div className={styles["source"]}>{step.source}</div>
          </li>
        ))}
      </ol>
      {after}
    </Drawer>
  );
}
