import type { Site } from "@sprunel/contract/site";
import {
  programmesOn,
  programmeSpan,
  raisingPlan,
  partShare,
  practicesOf,
  standingsOn,
  standOn,
  yearBegan,
  type RaisingStepKind,
} from "@sprunel/core/crop";
import { addDays } from "@sprunel/core/time";
import ical from "ical-generator";
import { randomBytes, timingSafeEqual } from "node:crypto";
import { chmodSync, existsSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { port } from "../scope/ports.ts";
import type { StoredZone } from "../scope/zone-store.ts";

/** Dates so far back and ahead are in the calendar; nights so many ahead. */
const BACK_DAYS = 30;
const AHEAD_DAYS = 240;
const NIGHTS_AHEAD = 21;

/** Something with a date: of a whole day, or with its instants. */
export interface Dated {
  /** the same for the same thing, however often it is asked for */
  readonly id: string;
  readonly zone: string;
  readonly zoneId: number;
  readonly what: string;
  readonly on: string;
  /** null: it is of the whole day */
  readonly span: { readonly fromMs: number; readonly toMs: number } | null;
  readonly note: string;
}

/** What has its date, of every room: it stands in the calendar. */
export const DATED = port<() => Promise<readonly Dated[]>>("what has its date");

/** Stages that begin and nights with cloth or lamps, of all zones, in order of time. */
export function datesOf(site: Site, zones: readonly StoredZone[], today: string): Dated[] {
  const [from, to] = [addDays(today, -BACK_DAYS), addDays(today, AHEAD_DAYS)];
  return zones
    .flatMap((zone) => [
      ...stagesOf(zone, today, from, to),
      ...raisingOf(zone, from, to),
      ...practicesIn(zone, today, from, to),
      ...nightsOf(site, zone, today),
    ])
    .sort((a, b) => a.on.localeCompare(b.on) || (a.span?.fromMs ?? 0) - (b.span?.fromMs ?? 0));
}

function stagesOf({ id, name, grown }: StoredZone, today: string, from: string, to: string): Dated[] {
  return grown.flatMap((planting) =>
    planting
      .periodsFrom(yearBegan(planting, today))
      .filter(({ startsOn }) => startsOn >= from && startsOn <= to)
      .filter(({ startsOn }) => planting.clearedOn === null || startsOn < planting.clearedOn)
      .map(({ id: stageId, name: stage, startsOn, seen }): Dated => ({
        id: `stage-${id}-${yearBegan(planting, today)}${planting.part ? `-${planting.part.from}` : ""}-${stageId}`,
        zone: name,
        zoneId: id,
        what: `${planting.crop.name}: ${stage.toLowerCase()}`,
        on: startsOn,
        span: null,
        note: seen ? "seen" : startsOn > today ? "foreseen" : "counted",
      })),
  );
}

const STEPS: Readonly<Record<RaisingStepKind, string>> = {
  order: "order plants",
  stock: "set stock plants",
  flush: "cut stock plants back for their next flush",
  cut: "take the cuttings",
  sow: "sow",
  stick: "stick cuttings",
  up: "up by now",
  rooted: "rooted by now: mist off",
  feed: "first weak feed",
  harden: "harden off",
  accept: "look over bought plants",
  plant: "plant",
};

/** What is started from, where a step begins a planting. */
const STARTED = { sow: "seeds", stick: "cuttings", order: "plants" } as const;

/** What is done for plantings before they are planted. */
function raisingOf({ id, name, definition, grown }: StoredZone, from: string, to: string): Dated[] {
  return grown.flatMap((planting) => {
    const { raising, plantedOn, crop } = planting;
    if (!raising) return [];
    const { plants } = standOn(planting, definition, plantedOn);
    const { steps, startFrom } = raisingPlan(raising, plantedOn, plants, definition.areaM2 * partShare(planting.part));
    return steps
      .filter(({ on }) => on >= from && on <= to)
      .map(({ on, kind }): Dated => ({
        id: `raise-${id}-${plantedOn}-${kind}`,
        zone: name,
        zoneId: id,
        what: `${crop.name}: ${STEPS[kind]}`,
        on,
        span: null,
        note: kind in STARTED ? `${startFrom} ${STARTED[kind as keyof typeof STARTED]}` : "",
      }));
  });
}

/** What is done to fields and basins at times of the crop's own. */
function practicesIn({ id, name, grown }: StoredZone, today: string, from: string, to: string): Dated[] {
  return grown.flatMap((planting) => {
    const since = yearBegan(planting, today);
    return practicesOf(planting, since)
      .filter(({ on }) => on >= from && on <= to && (planting.clearedOn === null || on <= planting.clearedOn))
      .map(({ practice, on, until }): Dated => ({
        id: `practice-${id}-${since}-${practice.id}`,
        zone: name,
        zoneId: id,
        what: `${planting.crop.name}: ${practice.name.toLowerCase()}`,
        on,
        span: null,
        note: [until && `until ${until}`, practice.sign].filter(Boolean).join("; "),
      }));
  });
}

function nightsOf(site: Site, { id, name, grown }: StoredZone, today: string): Dated[] {
  const nights = Array.from({ length: NIGHTS_AHEAD }, (_, day) => addDays(today, day));
  return nights.flatMap((on) => {
    return standingsOn(grown, on).flatMap(({ planting }) =>
      programmesOn(planting, on).map((programme): Dated => {
        const [fromMs, toMs] = programmeSpan(programme, on, site.timeZone);
        return {
          id: `night-${id}-${on}-${programme.kind}-${programme.start}`,
          zone: name,
          zoneId: id,
          what: programme.kind === "cloth" ? "cloth drawn" : "lamps lit",
          on,
          span: { fromMs, toMs },
          note: `${programme.start} to ${programme.end}`,
        };
      }),
    );
  });
}

/** As calendars of people and telephones read them: UTC instants, whole days that end with the day after. */
export function asCalendar(siteName: string, dates: readonly Dated[]): string {
  const calendar = ical({ name: `${siteName}, crops`, prodId: { company: "Sprunel", product: "crops" } });
  for (const { id, zone, what, on, span, note } of dates)
    calendar.createEvent({
      id: `${id}@sprunel`,
      summary: `${zone}: ${what}`,
      description: note,
      ...(span
        ? { start: new Date(span.fromMs), end: new Date(span.toMs) }
        : { start: new Date(`${on}T00:00:00Z`), end: new Date(`${addDays(on, 1)}T00:00:00Z`), allDay: true }),
    });
  return calendar.toString();
}

/** Who knows it may read the calendar and nothing else; made the first time that it is asked for, and kept in the data folder. */
export function calendarToken(dataFolder: string): string {
  const file = join(dataFolder, "calendar-token");
  if (existsSync(file)) return readFileSync(file, "utf8").trim();
  const token = randomBytes(18).toString("base64url");
  writeFileSync(file, `${token}\n`, { mode: 0o600 });
  chmodSync(file, 0o600);
  return token;
}

/** Whether a token is the folder's own, told in the same time for any. */
export function isToken(given: string, token: string): boolean {
  const [a, b] = [Buffer.from(given.replace(/\.ics$/, "")), Buffer.from(token)];
  return a.length === b.length && timingSafeEqual(a, b);
}
