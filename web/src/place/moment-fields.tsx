import { clockSeconds, instantOf } from "@sprunel/core/time";
import Form from "antd/es/form";
import { ClockInput, clockTyped } from "../forms/clock-input.tsx";
import { DateInput } from "../forms/date-input.tsx";
import type { Fault } from "../forms/form-errors.ts";
import { clockAt } from "./clock-at.ts";
import type { Noting } from "./use-noting.ts";

/** A moment as it stands in a form: a date and a time of day at the site. */
export interface MomentValues {
  readonly onDate?: string | null;
  readonly clock?: string | null;
}
/** The day in view: now where it is today; on any other day the time is asked for. */
export function momentIn({ date, today, now, timeZone }: Noting): MomentValues {
  return date === today ? { onDate: today, clock: clockAt(now, timeZone) } : { onDate: date, clock: null };
}

/** @returns the instant; to the second where nobody changed the time it was opened at */
export function instantFrom({ onDate, clock }: MomentValues, noting: Noting): string {
  const opened = momentIn(noting);
  if (onDate === noting.today && clock === opened.clock) return noting.now;
  const time = clockTyped(clock ?? "");
  if (!onDate || time === null || Number.isNaN(Date.parse(onDate))) return "";
  return new Date(instantOf(onDate, clockSeconds(time, "clock"), noting.timeZone)).toISOString();
}

export function faultsOfMoment(values: MomentValues, noting: Noting): Fault[] {
  if (!values.onDate || Number.isNaN(Date.parse(`${values.onDate}T00:00Z`)))
    return [{ path: "onDate", message: "Say on which day it was." }];
  if (clockTyped(values.clock ?? "") === null)
    return [{ path: "clock", message: "Say at what time it was, as 08:15." }];
  return instantFrom(values, noting) > new Date(Date.parse(noting.now) + A_MINUTE_MS).toISOString()
    ? [{ path: values.onDate > noting.today ? "onDate" : "clock", message: "This is still to come." }]
    : [];
}

/** The page's time may lie behind the server's by as much. */
const A_MINUTE_MS = 60_000;

export function MomentFields({ until, verb }: { until: string; verb: string }) {
  return (
    <>
      <Form.Item name="onDate" label={`${verb} on`}>
        <DateInput until={until} />
      </Form.Item>
      <Form.Item name="clock" label={`${verb} at`}>
        <ClockInput />
      </Form.Item>
    </>
  );
}
