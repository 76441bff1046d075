import type { DateForm } from "@sprunel/contract/site";
import DatePicker from "antd/es/date-picker";
import dayjs from "dayjs";
import customParseFormat from "dayjs/plugin/customParseFormat";
import { useRef, useState } from "react";
import { useDates } from "../units/dates.tsx";
import styles from "./forms.module.css";

dayjs.extend(customParseFormat);

const ISO = "YYYY-MM-DD";
const EXAMPLE = "2026-06-16";
/** The first is how a date is written back; the others are understood when typed. */
const WRITTEN: Readonly<Record<DateForm, readonly string[]>> = {
  dmy: ["D MMM YYYY", "D MMMM YYYY", "D/M/YYYY", "D.M.YYYY", "D-M-YYYY", ISO],
  mdy: ["MMM D, YYYY", "MMMM D, YYYY", "M/D/YYYY", "M-D-YYYY", ISO],
  ymd: [ISO, "YYYY/M/D", "YYYY.M.D", "YYYYMMDD"],
};
/** Understood once the field is left: before, 3/4/20 may become 3/4/2026. */
const SHORT: Readonly<Record<DateForm, readonly string[]>> = {
  dmy: ["D/M/YY", "D.M.YY", "D-M-YY"],
  mdy: ["M/D/YY", "M-D-YY"],
  ymd: [],
};

interface Props {
  readonly id?: string;
  /** YYYY-MM-DD; what is no date stands as it was typed, so that no check lets it pass */
  readonly value?: string | null;
  onChange?(value: string | null): void;
  /** where no label stands beside it */
  readonly label?: string;
  /** first and last date that can be chosen */
  readonly from?: string;
  readonly until?: string;
}

/** A date, chosen or typed as the site writes dates. */
export function DateInput({ id, value, onChange, label, from, until }: Props) {
  const { form, show } = useDates();
  // What the keys wrote since the field was entered: the picker forgets what is no date.
  const typed = useRef<string | null>(null);
  const [wrong, setWrong] = useState<{ readonly text: string; readonly before: string | null } | null>(null);
  const isHeld = wrong !== null && wrong.text === value;
  const shown = isHeld ? wrong.before : isDate(value) ? value : null;
  const leave = (): void => {
    const text = typed.current?.trim();
    typed.current = null;
    if (text === undefined) return;
    const date = dateTyped(text, form);
    setWrong(date === null && text !== "" ? { text, before: shown } : null);
    onChange?.(date ?? (text === "" ? null : text));
  };
  return (
    <>
      <span onInput={(event) => (typed.current = (event.target as HTMLInputElement).value)}>
        <DatePicker
          {...(id !== undefined && { id })}
          {...(label !== undefined && { "aria-label": label })}
          {...(from !== undefined && { minDate: dayjs(from) })}
          {...(until !== undefined && { maxDate: dayjs(until) })}
          {...(isHeld && { status: "error" as const })}
          value={shown ? dayjs(shown) : null}
          format={[...WRITTEN[form]]}
          placeholder={`as ${show(EXAMPLE, "year")}`}
          preserveInvalidOnBlur
          className="wide"
          onChange={(chosen) => {
            typed.current = null;
            setWrong(null);
            onChange?.(chosen ? chosen.format(ISO) : null);
          }}
          onBlur={leave}
          onKeyDown={(event) => {
            if (event.key === "Enter") leave();
          }}
        />
      </span>
      {isHeld && (
        <span role="alert" className={styles["fault"]}>
          “{wrong.text}” is no date; write it as {show(EXAMPLE, "year")}.
        </span>
      )}
    </>
  );
}

function isDate(text: string | null | undefined): text is string {
  return typeof text === "string" && dayjs(text, ISO, true).isValid();
}

/** @returns YYYY-MM-DD, or null for what is no date as the site writes them */
export function dateTyped(text: string, form: DateForm): string | null {
  const found = dayjs(text, [...WRITTEN[form], ...SHORT[form]], true);
  return found.isValid() ? found.format(ISO) : null;
}
