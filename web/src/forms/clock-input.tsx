import Input from "antd/es/input";
import { useState } from "react";
import styles from "./forms.module.css";

interface Props {
  readonly id?: string;
  /** HH:MM on the site's clock; what is no time stands as it was typed */
  readonly value?: string | null;
  onChange?(value: string | null): void;
  readonly label?: string;
  /** a time that something ends: 24:00 is the end of the day */
  readonly ends?: boolean;
}

/** A time of day, typed as people write it: 8:15, 0815, 8.15 or 3:20 pm. */
export function ClockInput({ id, value, onChange, label, ends = false }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? value ?? "";
  const wrong = typed === null && text !== "" && clockTyped(text, ends) === null;
  return (
    <>
      <Input
        {...(id !== undefined && { id })}
        {...(label !== undefined && { "aria-label": label })}
        {...(wrong && { status: "error" as const, "aria-invalid": true })}
        value={text}
        placeholder="as 08:15"
        autoComplete="off"
        maxLength={12}
        onChange={(event) => {
          setTyped(event.target.value);
          onChange?.(event.target.value === "" ? null : (clockTyped(event.target.value, ends) ?? event.target.value));
        }}
        onBlur={() => setTyped(null)}
      />
      {wrong && (
        <span role="alert" className={styles["fault"]}>
          “{text}” is no time of day; write it as 08:15.
        </span>
      )}
    </>
  );
}

/** @returns HH:MM, or null for what is no time of day */
export function clockTyped(text: string, ends = false): string | null {
  if (ends && text.trim() === "24:00") return "24:00";
  const found = /^(\d{1,2})(?:[:.h]?([0-5]\d))?(?::[0-5]\d)?\s*([ap])?\.?(?:m\.?)?$/i.exec(text.trim());
  if (!found) return null;
  const [, hours = "", minutes = "00", half] = found;
  const hour = Number(hours);
  if (half && (hour < 1 || hour > 12)) return null;
  const of24 = half ? (hour % 12) + (half.toLowerCase() === "p" ? 12 : 0) : hour;
  return of24 < 24 ? `${String(of24).padStart(2, "0")}:${minutes}` : null;
}
