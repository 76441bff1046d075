import type { DayPulse, SiteDay } from "@sprunel/contract/plan";
import ical from "ical-generator";

/** Valves of some days as a calendar: each pulse with its litres, at instants. */
export function valvesAsCalendar(siteName: string, days: readonly SiteDay[]): string {
  const calendar = ical({ name: `${siteName}, valves`, prodId: { company: "Sprunel", product: "valves" } });
  for (const { date, pulses } of days)
    for (const pulse of pulses)
      calendar.createEvent({
        id: `${date}-${pulse.id.replaceAll(" ", "_")}@sprunel`,
        summary: `${pulse.name}: water`,
        description: noteOf(pulse),
        start: new Date(pulse.startUtc),
        end: new Date(pulse.endUtc),
        stamp: new Date(pulse.startUtc),
      });
  return calendar.toString();
}

function noteOf({ litres, lh, recipe, dose, byHand, state }: DayPulse): string {
  return [
    `${Math.round(litres)} L at ${Math.round(lh)} L/h`,
    ...(recipe === null ? [] : [recipe]),
    ...(dose === null ? [] : [`with ${dose}`]),
    ...(byHand ? ["opened by hand"] : []),
    ...(state === "given" || state === "missed" ? [state === "given" ? "given" : "not given"] : []),
  ].join(", ");
}

/** Pulses as rows of a table. */
export function valvesAsRows({ date, pulses }: SiteDay): Record<string, string | number | null>[] {
  return pulses.map(
    ({ id, name, startUtc, endUtc, litres, lh, mixer, recipe, dose, byHand, locked, state, given }) => ({
      ...{ date, pulse: id, valve: name, from_utc: startUtc, to_utc: endUtc },
      minutes: Math.round((Date.parse(endUtc) - Date.parse(startUtc)) / 600) / 100,
      ...{ litres: Math.round(litres * 10) / 10, l_h: lh, mixer, recipe, dose },
      ...{ by_hand: byHand ? "yes" : "no", locked: locked ? "yes" : "no", state },
      given_litres: given?.litres ?? null,
      given_minutes: given?.minutes ?? null,
    }),
  );
}
