import { useEffect, useRef, type KeyboardEvent, type ReactNode } from "react";
import styles from "./walk.module.css";

interface Props {
  readonly children: ReactNode;
  /** false keeps the focus where it is, to ask about what was typed there */
  mayLeave?(field: HTMLInputElement): boolean;
}

/** Fields filled in while walking from zone to zone: Enter leads to the next one, with Shift to the one before. */
export function Walk({ children, mayLeave }: Props) {
  const grid = useRef<HTMLDivElement>(null);
  useEffect(() => grid.current?.querySelector("input")?.focus(), []);
  const onKey = (event: KeyboardEvent<HTMLDivElement>): void => {
    if (event.key !== "Enter" || !(event.target instanceof HTMLInputElement)) return;
    event.preventDefault();
    const isUnread = event.target.getAttribute("aria-invalid") === "true";
    if (isUnread || (mayLeave && !mayLeave(event.target))) {
      // What is typed next corrects it.
      event.target.select();
      return;
    }
    const fields = [...(grid.current?.querySelectorAll<HTMLElement>("input, [data-next]") ?? [])];
    const next = fields[fields.indexOf(event.target) + (event.shiftKey ? -1 : 1)];
    next?.focus();
    if (next instanceof HTMLInputElement) next.select();
  };
  return (
    <div ref={grid} onKeyDown={onKey} className={styles["walk"]}>
      {children}
    </div>
  );
}

/** One stop of the walk. */
export function WalkStop({ name, aside, children }: { name: string; aside?: ReactNode; children: ReactNode }) {
  return (
    <fieldset className={styles["stop"]}>
      <legend>
        <span>{name}</span>
        {aside}
      </legend>
      <div className={styles["fields"]}>{children}</div>
    </fieldset>
  );
}

/** One field: its name above, what was noted before below. */
export function WalkField({
  label,
  about,
  children,
  below,
}: {
  label: string;
  /** names the field to whoever judges what is typed */
  about: string;
  children: ReactNode;
  below: ReactNode;
}) {
  return (
    <label className={styles["field"]} data-about={about}>
      <span>{label}</span>
      {children}
      {below}
    </label>
  );
}

export function WalkBefore({ children }: { children: ReactNode }) {
  return <span className={styles["before"]}>{children}</span>;
}

export function WalkAsked({ children }: { children: ReactNode }) {
  return (
    <span role="alert" className={styles["asked"]}>
      {children}
    </span>
  );
}

export function WalkActions({ children }: { children: ReactNode }) {
  return <div className={styles["actions"]}>{children}</div>;
}
