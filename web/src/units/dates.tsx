import type { DateForm } from "@sprunel/contract/site";
import dayjs from "dayjs";
import { createContext, use, useMemo, type ReactNode } from "react";

/** How much of a date is said. */
type Saying = "day" | "weekday" | "weekday-long" | "year" | "year-long" | "weekday-year" | "whole";

const WRITTEN: Readonly<Record<DateForm, Readonly<Record<Saying, string>>>> = {
  dmy: {
    day: "D MMM",
    weekday: "ddd D MMM",
    "weekday-long": "dddd D MMMM",
    year: "D MMM YYYY",
    "year-long": "D MMMM YYYY",
    "weekday-year": "ddd D MMM YYYY",
    whole: "dddd D MMMM YYYY",
  },
  mdy: {
    day: "MMM D",
    weekday: "ddd, MMM D",
    "weekday-long": "dddd, MMMM D",
    year: "MMM D, YYYY",
    "year-long": "MMMM D, YYYY",
    "weekday-year": "ddd, MMM D, YYYY",
    whole: "dddd, MMMM D, YYYY",
  },
  ymd: {
    day: "MM-DD",
    weekday: "ddd MM-DD",
    "weekday-long": "dddd MM-DD",
    year: "YYYY-MM-DD",
    "year-long": "YYYY-MM-DD",
    "weekday-year": "ddd YYYY-MM-DD",
    whole: "dddd YYYY-MM-DD",
  },
};

export interface Dates {
  readonly form: DateForm;
  /** @param date YYYY-MM-DD */
  show(date: string, saying: Saying): string;
}

/** Dates as a site writes them. */
export function datesIn(form: DateForm): Dates {
  return { form, show: (date, saying) => dayjs(date).format(WRITTEN[form][saying]) };
}

const DatesContext = createContext<Dates>(datesIn("dmy"));

export function DatesProvider({ form, children }: { form: DateForm; children: ReactNode }) {
  const dates = useMemo(() => datesIn(form), [form]);
  return <DatesContext value={dates}>{children}</DatesContext>;
}

export function useDates(): Dates {
  return use(DatesContext);
}
