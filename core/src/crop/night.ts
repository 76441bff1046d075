import { daylightAround } from "../climate/daylight.ts";
import type { Place } from "../site/zone.ts";
import { clockSeconds } from "../time/clock.ts";
import { addDays, instantOf } from "../time/local-time.ts";

/** Nights of a planting that cloth makes longer or lamps break, from one evening to another. */
export interface NightProgramme {
  readonly kind: "cloth" | "lamps";
  /** its first evening */
  readonly fromOn: string;
  /** its last evening; null while it goes on */
  readonly untilOn: string | null;
  /** clock times as 17:00; those before noon are of the morning after */
  readonly start: string;
  readonly end: string;
  /** drawn by the lamps, W/m² of ground */
  readonly wattsM2?: number | null | undefined;
}

/** What a planting's nights are made of. */
export interface Nights {
  readonly nights?: readonly NightProgramme[] | undefined;
  /** evenings on which its programme was not kept */
  readonly missedNights?: readonly string[] | undefined;
}

type Span = readonly [fromMs: number, toMs: number];
const HOUR_MS = 3_600_000;
const NOON_S = 43_200;

export function programmesOn({ nights = [], missedNights = [] }: Nights, date: string): readonly NightProgramme[] {
  if (missedNights.includes(date)) return [];
  return nights.filter(({ fromOn, untilOn }) => fromOn <= date && (untilOn === null || date <= untilOn));
}

/** When a programme of an evening begins and ends. */
export function programmeSpan({ start, end }: NightProgramme, date: string, timeZone: string): Span {
  const at = (clock: string, path: string): number => {
    const seconds = clockSeconds(clock, path);
    return instantOf(seconds < NOON_S ? addDays(date, 1) : date, seconds, timeZone);
  };
  return [at(start, "start"), at(end, "end")];
}

/** Civil dusk of a date and the dawn after it; null where the sun does not get so low, or so high. */
export function duskAndDawn(
  { latitudeDeg, longitudeDeg }: Pick<Place, "latitudeDeg" | "longitudeDeg">,
  date: string,
): { readonly duskMs: number | null; readonly dawnMs: number | null } {
  const [today, tomorrow] = [date, addDays(date, 1)].map((on) =>
    daylightAround(on, latitudeDeg, longitudeDeg, "civil"),
  );
  return {
    duskMs: typeof today === "object" ? today.setMs : null,
    dawnMs: typeof tomorrow === "object" ? tomorrow.riseMs : null,
  };
}

/**
 * The longest unbroken dark of the night that begins on a date, by sun, cloth and lamps: what plants that flower by day length go
 * by. Dusk and dawn are civil, the sun's centre 6° below the horizon.
 *
 * @returns h, 0 to 24
 * @see Thomas & Vince-Prue (1997), Photoperiodism in Plants: the night counts, not the day, and a break in it ends it
 */
export function unbrokenDarkH(
  { latitudeDeg, longitudeDeg, timeZone }: Pick<Place, "latitudeDeg" | "longitudeDeg" | "timeZone">,
  date: string,
  nights: Nights,
): number {
  const noon = (on: string): number => instantOf(on, NOON_S, timeZone);
  const [from, to] = [noon(date), noon(addDays(date, 1))];
  const [today, tomorrow] = [date, addDays(date, 1)].map((on) =>
    daylightAround(on, latitudeDeg, longitudeDeg, "civil"),
  );
  const set = typeof today === "object" ? today.setMs : today === "night" ? from : null;
  const rise = typeof tomorrow === "object" ? tomorrow.riseMs : tomorrow === "night" ? to : null;
  const byKind = (kind: NightProgramme["kind"]): Span[] =>
    programmesOn(nights, date)
      .filter((programme) => programme.kind === kind)
      .map((programme) => programmeSpan(programme, date, timeZone));
  const natural: Span[] = set !== null && rise !== null ? [[set, rise]] : [];
  const dark = without(joined([...natural, ...byKind("cloth")]), byKind("lamps"));
  return Math.min(
    24,
    Math.max(0, ...dark.map(([start, end]) => (Math.min(end, to) - Math.max(start, from)) / HOUR_MS)),
  );
}

/** Spans that touch, as one. */
function joined(spans: readonly Span[]): Span[] {
  const found: [number, number][] = [];
  for (const [from, to] of [...spans].sort(([a], [b]) => a - b)) {
    const last = found.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else found.push([from, to]);
  }
  return found;
}

function without(spans: readonly Span[], cuts: readonly Span[]): Span[] {
  return cuts.reduce<readonly Span[]>(
    (left, [cutFrom, cutTo]) =>
      left.flatMap(([from, to]): Span[] => {
        const parts: Span[] = [
          [from, Math.min(to, cutFrom)],
          [Math.max(from, cutTo), to],
        ];
        return parts.filter(([start, end]) => end > start);
      }),
    spans,
  ) as Span[];
}
