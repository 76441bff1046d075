import { clockSeconds, clockText } from "../time/clock.ts";
import { dayPlan } from "./day-plan.ts";
import type { DayPlan } from "./day-plan-answer.ts";
import type { DayPlanInput, DayPlanZone, Span } from "./day-plan-input.ts";
import type { Main, MainZone } from "./main.ts";
import { energyOf } from "./site-day-energy.ts";
import { between, less, spanOf, within } from "./spans.ts";

/** What a zone asks of a day: its litres, in how many pulses, when, and with what in them. */
export interface AskedZone extends MainZone {
  readonly litres: number;
  /** wanted starts, s from midnight, in order: one for each pulse */
  readonly wantedS: readonly number[];
  readonly window: Span;
  readonly minGapMin: number;
  /** what is mixed into its water; null for plain water */
  readonly recipe: string | null;
  /** water that it got on this day beside any plan */
  readonly given?: readonly { readonly startS: number; readonly litres: number }[];
  /** what of the root zone's available water is gone this morning, and holds in all, L over the zone; left out where not known */
  readonly roots?: { readonly goneL: number; readonly availableL: number };
  /** a dose that goes into its water today, and how long fill, injection and flush take together */
  readonly dose: { readonly name: string; readonly minutes: number } | null;
}

/** A pulse of the day, by an id that it keeps. */
export interface SitePulse {
  readonly id: string;
  /** null of a run that belongs to no zone */
  readonly zoneId: number | null;
  /** the zone, or the run */
  readonly name: string;
  /** null where its water passes no mixer */
  readonly mixer: string | null;
  readonly recipe: string | null;
  /** the dose that goes into it */
  readonly dose: string | null;
  /** s from midnight */
  readonly startS: number;
  readonly lengthS: number;
  readonly litres: number;
  readonly lh: number;
  /** somebody set its time */
  readonly locked: boolean;
}

export interface SiteDayInput {
  readonly main: Main;
  readonly zones: readonly AskedZone[];
  /** of the day; before 0 it is still to come, after 86 400 it is over: then nothing is planned any more */
  readonly nowS: number;
  /** the plan before this one; what has begun stays, and what is locked */
  readonly kept: readonly SitePulse[];
  /** looks for the best day, wherever the earlier plan had its pulses */
  readonly afresh?: boolean | undefined;
  /** zones whose valve stays shut today */
  readonly excluded: readonly number[];
}

export interface Unmet {
  readonly zoneId: number | null;
  readonly name: string;
  readonly litres: number;
  readonly reason: string;
  readonly wayOut: string;
  /** of the root zone's available water that is gone by the evening without it, %; null where not known */
  readonly gonePct: number | null;
}

export interface SiteDay {
  readonly pulses: readonly SitePulse[];
  readonly unmet: readonly Unmet[];
  /** of the bound on what could be given at all; 0 when all is */
  readonly gapPct: number;
  readonly peakLh: number;
  /** of every pump that has a power: kWh of the whole day, and its price where that is known */
  readonly energy: readonly { readonly name: string; readonly kwh: number; readonly cost: number | null }[];
}

/** Water that passes no mixer has room beside any other. */
const BYPASS = "\u0000bypass";
const WATER = "\u0000water";
const DAY_S = 86_400;
/** A valve is not opened sooner than a person can be told. */
const LEAD_S = 60;
/** Of a zone's litres: less is lost in rounding. */
const WORTH = 0.01;
/** Of water that was metered. Assumed. */
const METERED_WORTH = 0.05;
const ANY_LH = 1_000_000;

/**
 * The day of all zones over what they share. What has begun stands as it was, what somebody locked too; of every zone what is
 * left of its litres is shared over the pulses that are left, where the earlier plan had them if they still can be there.
 *
 * @param hasTime asked between rounds of the search for a better plan
 * @param mayBeExact asked before each placing of the first plan
 * @throws {DomainError} for a main that cannot be planned over
 */
export function siteDay(input: SiteDayInput, hasTime: () => boolean, mayBeExact: () => boolean = () => true): SiteDay {
  const { main, nowS, kept } = input;
  // What begins within the minute stands too: somebody may be on the way to its valve.
  const fixed = kept.filter(
    ({ startS, locked, zoneId }) =>
      startS < nowS || ((locked || (nowS > 0 && startS < nowS + LEAD_S)) && isOn(input, zoneId)),
  );
  const asked =
    nowS >= DAY_S ? [] : [...input.zones.flatMap((zone) => partsOf(input, zone, fixed)), ...runsOf(input, fixed)];
  const late = asked.filter(({ plan }) => plan.windows.length === 0);
  const plans = asked.filter(({ plan }) => plan.windows.length > 0);
  const question: DayPlanInput = {
    pump: { maxLh: ANY_LH },
    limits: [
      ...main.limits.map(({ name, maxLh, maxOpen }) => ({
        id: name,
        maxLh: maxLh ?? undefined,
        maxOpen: maxOpen ?? undefined,
      })),
      ...(main.hands ? [{ id: HANDS, maxOpen: main.hands.reach }] : []),
    ],
    walkMin: main.hands?.walkMin,
    mixers: [
      ...main.mixers.map(({ name, maxLh, rinseMin }) => ({ id: name, maxLh, rinseMin })),
      { id: BYPASS, maxLh: ANY_LH },
    ],
    zones: [...plans.map(({ plan }) => plan), ...standing(input, fixed)],
    ...(main.tariff.length > 0 && { tariff: main.tariff }),
  };
  const answer: DayPlan =
    question.zones.length === 0
      ? { status: "optimal", gapPct: 0, events: [], peakLh: 0, unmet: [], warnings: [], working: [] }
      : dayPlan(question, hasTime, mayBeExact);
  const planned = plans.flatMap((part) => pulsesOf(part, answer, kept, fixed));
  const pulses = [...fixed, ...planned].sort((a, b) => a.startS - b.startS || a.id.localeCompare(b.id));
  return {
    pulses,
    unmet: [
      ...late.map(({ zoneId, name, plan: { litres } }) => ({
        ...{ zoneId, name, litres },
        reason: "No time is left today in which it may be watered.",
        wayOut: "Water it by hand now, or let it wait until tomorrow.",
        gonePct: goneWithout(input, zoneId, litres),
      })),
      ...answer.unmet.flatMap(({ zoneId: id, litres, reason, cheapestWayOut }) => {
        const part = plans.find(({ plan }) => plan.id === id);
        if (!part) return [];
        const { zoneId, name } = part;
        return [{ zoneId, name, litres, reason, wayOut: cheapestWayOut, gonePct: goneWithout(input, zoneId, litres) }];
      }),
    ],
    gapPct: answer.gapPct,
    peakLh: mostAtOnce(pulses),
    energy: energyOf(main, pulses),
  };
}

const HANDS = "the people at the valves";

/** A zone's water, its dose, or a run, as the planner places it. */
interface Asked {
  readonly zoneId: number | null;
  readonly name: string;
  readonly recipe: string | null;
  readonly dose: string | null;
  readonly plan: DayPlanZone;
}

function isOn({ excluded }: SiteDayInput, zoneId: number | null): boolean {
  return zoneId === null || !excluded.includes(zoneId);
}

/** What is still to be planned of a zone: its dose in a pulse of its own, and the rest of its water. */
function partsOf(input: SiteDayInput, zone: AskedZone, fixed: readonly SitePulse[]): Asked[] {
  if (!isOn(input, zone.id) || zone.litres <= 0) return [];
  const own = fixed.filter(({ zoneId }) => zoneId === zone.id);
  const beside = zone.given ?? [];
  const left = zone.litres - sumOf(own) - sumOf(beside);
  // Nobody opens a valve again for what a meter told less.
  if (left <= (beside.length > 0 ? METERED_WORTH : WORTH) * zone.litres) return [];
  const shared = sharedBy(input, zone);
  const doseDue = zone.dose && !own.some(({ dose }) => dose !== null) ? zone.dose : null;
  const doseL = doseDue
    ? Math.max((zone.flowLh * doseDue.minutes) / 60, zone.litres / Math.max(1, zone.wantedS.length))
    : 0;
  const part = (litres: number, wanted: readonly number[], dose: AskedZone["dose"]): Asked => {
    const recipe = dose ? `${zone.recipe ?? "water"} with ${dose.name}` : zone.recipe;
    return {
      ...{ zoneId: zone.id, name: zone.name, recipe, dose: dose?.name ?? null },
      plan: {
        id: dose ? `${zone.id} dose` : `${zone.id}`,
        litres,
        flowLh: zone.flowLh,
        pulses: wanted.length,
        minGapMin: zone.minGapMin,
        recipeId: recipe ?? WATER,
        ...shared,
        valve: `${zone.id}`,
        mixerIds: mixersOf(input, zone.id, recipe),
        wanted: wanted.map((startS) => clockText(startS)),
        ...beforeOf(input, own, zone.id, dose !== null, wanted.length),
      },
    };
  };
  // Pulses that stand take the wanted times that are nearest to them.
  const open = withoutNearest(zone.wantedS, [...own, ...beside]);
  const times = open.length > 0 ? open : [Math.max(input.nowS + LEAD_S, zone.window.startS)];
  if (!doseDue) return [part(left, times, null)];
  const [first = 0, ...others] = times;
  const rest = left - doseL;
  // Where hardly anything is left beside the dose it goes with the dose.
  if (others.length === 0 || rest <= WORTH * zone.litres) return [part(Math.max(left, doseL), [first], doseDue)];
  return [part(doseL, [first], doseDue), part(rest, others, null)];
}

function withoutNearest(wantedS: readonly number[], own: readonly { readonly startS: number }[]): readonly number[] {
  const open = [...wantedS];
  for (const { startS } of own) {
    const nearest = open.reduce(
      (best, at, index) => (Math.abs(at - startS) < Math.abs((open[best] ?? Infinity) - startS) ? index : best),
      0,
    );
    open.splice(nearest, 1);
  }
  return open;
}

/** When a zone may still be watered: within its own window, while somebody is at its valve, and not while it must stay dry. */
export function windowsOf({ main, nowS }: SiteDayInput, zone: AskedZone): readonly Span[] {
  const byHand = main.hands?.zoneIds.includes(zone.id) ?? false;
  const rule = main.rules.find(({ zoneId }) => zoneId === zone.id);
  const from = Math.max(zone.window.startS, nowS <= 0 ? 0 : nowS + LEAD_S);
  const own = between(from, zone.window.endS);
  const minded = byHand ? within(own, (main.hands?.hours ?? []).map(spanOf)) : own;
  const wet = rule && rule.wet.length > 0 ? within(minded, rule.wet.map(spanOf)) : minded;
  return less(wet, (rule?.dry ?? []).map(spanOf));
}

/** Windows, limits, order and pump of a zone, as the main has them. */
function sharedBy(input: SiteDayInput, zone: AskedZone) {
  const { main } = input;
  const rule = main.rules.find(({ zoneId }) => zoneId === zone.id);
  const byHand = main.hands?.zoneIds.includes(zone.id) ?? false;
  const limits = main.limits.filter(({ zoneIds }) => zoneIds === null || zoneIds.includes(zone.id));
  const kw = limits.reduce((sum, limit) => sum + (limit.kw ?? 0), 0);
  return {
    windows: windowsOf(input, zone).map(({ startS, endS }) => ({ start: clockText(startS), end: clockText(endS) })),
    limitIds: [...limits.map(({ name }) => name), ...(byHand ? [HANDS] : [])],
    priority: rule?.priority ?? USUAL_PRIORITY,
    byHand,
    // Pulses that follow the light are not moved for the price of power.
    kw: zone.wantedS.length > MOST_MOVED ? 0 : kw,
  };
}
/** A zone that is watered more often than so in a day is watered by the light. Assumed. */
const MOST_MOVED = 3;
/** Of zones of which nobody said anything. */
export const USUAL_PRIORITY = 5;

/** A zone that is fed goes through one of its mixers, where there are any; others pass them by. */
function mixersOf({ main }: SiteDayInput, zoneId: number, recipe: string | null): readonly string[] {
  const able = main.mixers.filter(({ zoneIds }) => zoneIds === null || zoneIds.includes(zoneId));
  return recipe === null || able.length === 0 ? [BYPASS] : able.map(({ name }) => name);
}

function runsOf(input: SiteDayInput, fixed: readonly SitePulse[]): Asked[] {
  return input.main.runs.flatMap(({ name, lh, minutes, times, start, end }): Asked[] => {
    const own = fixed.filter((pulse) => pulse.zoneId === null && pulse.name === name);
    const left = times - own.length;
    if (left <= 0) return [];
    const whole = spanOf({ start, end });
    const windows = between(Math.max(whole.startS, input.nowS <= 0 ? 0 : input.nowS + LEAD_S), whole.endS);
    const gapS = (whole.endS - whole.startS - times * minutes * 60) / Math.max(1, times);
    return [
      {
        ...{ zoneId: null, name, recipe: null, dose: null },
        plan: {
          id: zoneKey(null, name),
          litres: (lh * minutes * left) / 60,
          flowLh: lh,
          pulses: left,
          // Evenly: half of the time between two of them may be given away.
          minGapMin: Math.max(0, gapS / 120),
          recipeId: WATER,
          mixerIds: [BYPASS],
          windows: windows.map(({ startS, endS }) => ({ start: clockText(startS), end: clockText(endS) })),
          limitIds: input.main.limits.filter(({ zoneIds }) => zoneIds === null).map((limit) => limit.name),
          priority: USUAL_PRIORITY,
        },
      },
    ];
  });
}

/** What stands, told to the planner as zones that ask for nothing more. */
function standing(input: SiteDayInput, fixed: readonly SitePulse[]): DayPlanZone[] {
  const all = [{ start: "00:00", end: "24:00" }];
  return fixed.map(({ id, zoneId, name, mixer, recipe, startS, lengthS, lh }) => {
    const limits = input.main.limits.filter(
      ({ zoneIds }) => zoneIds === null || (zoneId !== null && zoneIds.includes(zoneId)),
    );
    const byHand = zoneId !== null && (input.main.hands?.zoneIds.includes(zoneId) ?? false);
    return {
      ...{ id: `stands ${id}`, litres: 0, pulses: 1, minGapMin: 0, priority: 0, windows: all },
      ...{ flowLh: lh, recipeId: recipe ?? WATER, valve: zoneKey(zoneId, name), byHand },
      limitIds: [...limits.map((limit) => limit.name), ...(byHand ? [HANDS] : [])],
      fixed: [{ start: clockText(startS), minutes: lengthS / 60, mixerId: mixer ?? BYPASS }],
    };
  });
}

function zoneKey(zoneId: number | null, name: string): string {
  return zoneId === null ? `run ${name}` : `${zoneId}`;
}

/** Where the earlier plan had its pulses. */
function beforeOf(
  { kept, nowS, afresh = false }: SiteDayInput,
  own: readonly SitePulse[],
  zoneId: number,
  isDose: boolean,
  pulses: number,
): Pick<DayPlanZone, "before"> {
  const was = kept.filter(
    (pulse) =>
      pulse.zoneId === zoneId && (pulse.dose !== null) === isDose && pulse.startS >= nowS && !own.includes(pulse),
  );
  if (afresh || was.length === 0 || was.length > pulses) return {};
  return { before: { mixerId: was[0]?.mixer ?? BYPASS, starts: was.map(({ startS }) => clockText(startS)) } };
}

/** Planned pulses under the ids that the earlier plan gave them; new ones get the next. */
function pulsesOf(
  { zoneId, name, recipe, dose, plan }: Asked,
  { events }: DayPlan,
  kept: readonly SitePulse[],
  fixed: readonly SitePulse[],
): SitePulse[] {
  const key = `${zoneKey(zoneId, name)}${dose === null ? "" : " dose"}`;
  const ofKey = kept.filter(({ id }) => id.startsWith(`${key}-`));
  const free = ofKey.filter((pulse) => !fixed.includes(pulse)).map(({ id }) => id);
  let next = Math.max(0, ...ofKey.map(({ id }) => Number(id.slice(key.length + 1))));
  return events
    .filter((event) => event.zoneId === plan.id)
    .map(({ start, mixerId, litres, lh }) => ({
      id: free.shift() ?? `${key}-${++next}`,
      ...{ zoneId, name, recipe, dose, litres, lh, locked: false },
      mixer: mixerId === BYPASS ? null : mixerId,
      startS: clockSeconds(start, "start"),
      lengthS: (litres / lh) * 3600,
    }));
}

/** How dry a root zone gets by the evening when it waits: what is gone this morning, and what it does not get. */
function goneWithout({ zones }: SiteDayInput, zoneId: number | null, litres: number): number | null {
  const roots = zones.find(({ id }) => id === zoneId)?.roots;
  return roots ? Math.min(100, (100 * (roots.goneL + litres)) / roots.availableL) : null;
}

function sumOf(pulses: readonly { readonly litres: number }[]): number {
  return pulses.reduce((sum, { litres }) => sum + litres, 0);
}

/** Most L/h at any moment. */
function mostAtOnce(pulses: readonly SitePulse[]): number {
  const changes = pulses
    .flatMap(({ startS, lengthS, lh }) => [
      { at: startS, by: lh },
      { at: startS + lengthS, by: -lh },
    ])
    .sort((a, b) => a.at - b.at || a.by - b.by);
  let [now, most] = [0, 0];
  for (const { by } of changes) {
    now += by;
    most = Math.max(most, now);
  }
  return most;
}
