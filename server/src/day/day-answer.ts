import type { DayPulse, SiteDay as DayAnswer } from "@sprunel/contract/plan";
import type { Site } from "@sprunel/contract/site";
import {
  energyOf,
  windowsOf,
  type Main,
  type SiteDay,
  type SiteDayInput,
  type SitePulse,
} from "@sprunel/core/schedule";
import { clockOf, instantOf } from "@sprunel/core/time";
import type { Watering } from "@sprunel/core/irrigation";
import type { StoredZone } from "../scope/zone-store.ts";
import type { DayAsked, DayEdits, KeptDay } from "./day-plan-store.ts";

/** Water that began so long after a pulse was over was this pulse, late; so much before it, by a clock that goes wrong, ms. */
const LATE_MS = 20 * 60_000;
const EARLY_MS = 30_000;

interface Parts {
  readonly date: string;
  readonly ground: {
    readonly site: Site;
    readonly nowMs: number;
    readonly main: Main;
    readonly zones: readonly StoredZone[];
    readonly asked: DayAsked;
  };
  readonly kept: KeptDay | null;
  /** the plan of the day before */
  readonly before: KeptDay | null;
  /** water of the date, in order of time */
  readonly given: readonly Watering[];
  readonly improving: boolean;
  readonly question: SiteDayInput;
}

/** The day as people see it: instants, what became of each pulse, what is offered. */
export function dayAnswer({ date, ground, kept, before, given, improving, question }: Parts): DayAnswer {
  const { site, nowMs, main, zones, asked } = ground;
  const utc = (seconds: number, on = date): string => new Date(instantOf(on, seconds, site.timeZone)).toISOString();
  const byHand = new Set(main.hands?.zoneIds ?? []);
  const edits = kept?.edits;
  const timed = timedOn(date, site.timeZone, kept);
  const { of: givenOf, beside } = matched(timed, given);
  const pulses = timed.map(({ pulse, startMs, endMs }): DayPulse => {
    const found = givenOf.get(pulse) ?? null;
    const { id, zoneId, name, mixer, recipe, dose, litres, lh, locked } = pulse;
    return {
      ...{ id, zoneId, name, mixer, recipe, dose, litres, lh, locked },
      ...{ startUtc: new Date(startMs).toISOString(), endUtc: new Date(endMs).toISOString() },
      byHand: zoneId !== null && byHand.has(zoneId),
      state: found
        ? "given"
        : edits?.missed.includes(id)
          ? "missed"
          : startMs > nowMs
            ? "ahead"
            : endMs > nowMs
              ? "running"
              : "due",
      given: found && {
        ...{ startUtc: new Date(found.startMs).toISOString(), minutes: found.minutes, litres: found.litres },
      },
    };
  });
  const nameOf = (id: number): string => zones.find((zone) => zone.id === id)?.name ?? "";
  const plan = kept?.plan;
  const priced = (energy: SiteDay["energy"]): DayAnswer["energy"] =>
    energy.map(({ name, kwh, cost }) => ({
      ...{ name, kwh },
      cost: cost ?? (site.kwhPrice === null ? null : kwh * site.kwhPrice),
    }));
  return {
    ...{ id: kept?.id ?? null, version: kept?.version ?? null, date, now: new Date(nowMs).toISOString(), improving },
    pulses,
    beside: beside.map(({ zoneId, startMs, minutes, litres }) => ({
      ...{ zoneId, name: nameOf(zoneId), startUtc: new Date(startMs).toISOString(), minutes, litres },
    })),
    unmet: [...(plan?.unmet ?? [])],
    gapPct: plan?.gapPct ?? 0,
    peakLh: plan?.peakLh ?? 0,
    energy: priced(plan?.energy ?? []),
    energyGiven: priced(
      energyOf(
        main,
        given.map(({ zoneId, startMs, minutes }) => ({
          ...{ zoneId, startS: clockOf(startMs, site.timeZone).clockS, lengthS: minutes * 60 },
        })),
      ),
    ),
    zones: zones.map((zone) => {
      const ofZone = asked.zones.find(({ id }) => id === zone.id);
      return {
        ...{ zoneId: zone.id, name: zone.name, byHand: byHand.has(zone.id) },
        litres: ofZone?.litres ?? null,
        excluded: edits?.excluded.includes(zone.id) ?? false,
        windows: ofZone
          ? windowsOf({ ...question, nowS: -1 }, ofZone).map(({ startS, endS }) => ({
              ...{ startUtc: utc(startS), endUtc: utc(endS) },
            }))
          : [],
      };
    }),
    limits: [
      ...main.limits.map(({ kind, name, maxLh, zoneIds }) => ({ kind, name, maxLh, zoneIds: zoneIds && [...zoneIds] })),
      ...main.mixers.map(({ name, maxLh, zoneIds }) => ({
        ...{ kind: "mixer" as const, name, maxLh, zoneIds: zoneIds && [...zoneIds] },
      })),
    ],
    dear: dearOf(main).map(({ startS, endS, pricePerKwh }) => ({
      ...{ startUtc: utc(startS), endUtc: utc(endS), pricePerKwh },
    })),
    change: kept && { atUtc: new Date(kept.changedAtMs).toISOString(), of: [...kept.changes] },
    offered: offeredOf(before, edits ?? null).flatMap(({ id, zoneId, name, startS, litres }) =>
      zoneId === null ? [] : [{ pulseId: id, zoneId, name, litres, startUtc: utc(startS, dayBefore(date)) }],
    ),
  };
}

function dayBefore(date: string): string {
  return new Date(Date.parse(`${date}T00:00:00Z`) - 86_400_000).toISOString().slice(0, 10);
}

/** What was missed on a day, and nobody decided about on the next. */
export function offeredOf(before: KeptDay | null, edits: DayEdits | null): readonly SitePulse[] {
  if (!before) return [];
  return before.plan.pulses.filter(
    ({ id }) =>
      before.edits.missed.includes(id) &&
      !edits?.letGo.includes(id) &&
      !edits?.again.some(({ pulseId }) => pulseId === id),
  );
}

/** Hours that lie in the upper half of the day's prices. */
function dearOf({ tariff }: Main): Main["tariff"] {
  const prices = tariff.map(({ pricePerKwh }) => pricePerKwh);
  const middle = (Math.min(...prices) + Math.max(...prices)) / 2;
  return tariff.filter(({ pricePerKwh }) => pricePerKwh > middle);
}

/** Pulses of a kept plan with their instants. */
export function timedOn(date: string, timeZone: string, kept: KeptDay | null): readonly Timed[] {
  return (kept?.plan.pulses ?? []).map((pulse) => {
    const startMs = instantOf(date, pulse.startS, timeZone);
    return { pulse, startMs, endMs: startMs + pulse.lengthS * 1000 };
  });
}

type Timed = { readonly pulse: SitePulse; readonly startMs: number; readonly endMs: number };

/** Which water was which pulse: in each zone the nearest of those that are near. */
export function matched(timed: readonly Timed[], given: readonly Watering[]) {
  const of = new Map<SitePulse, Watering>();
  const beside: Watering[] = [];
  for (const watering of given) {
    const near = timed
      .filter(
        ({ pulse, startMs, endMs }) =>
          pulse.zoneId === watering.zoneId &&
          !of.has(pulse) &&
          watering.startMs > startMs - EARLY_MS &&
          watering.startMs < endMs + LATE_MS,
      )
      .sort((a, b) => Math.abs(a.startMs - watering.startMs) - Math.abs(b.startMs - watering.startMs));
    const [nearest] = near;
    if (nearest) of.set(nearest.pulse, watering);
    else beside.push(watering);
  }
  return { of, beside };
}
