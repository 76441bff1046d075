import type { Span } from "../time/clock.ts";
import { DAY_S } from "./day-job.ts";
import type { DayPlanZone } from "./day-plan-input.ts";
import type { AskedZone, SiteDayInput, SitePulse } from "./site-day-input.ts";
import { between, less, within } from "./spans.ts";

/** Water that passes no mixer has room beside any other. */
export const BYPASS = "\u0000bypass";
const WATER = "\u0000water";
/** What the hands of a site pass as a limit. */
export const HANDS = "the people at the valves";
/** A valve is not opened sooner than a person can be told. */
export const LEAD_S = 60;
/** Of a zone's litres: less is lost in rounding. */
const WORTH = 0.01;
/** Of water that was metered. Assumed. */
const METERED_WORTH = 0.05;

/** A zone's water, its dose, or a run, as the planner places it. */
export interface Asked {
  readonly zoneId: number | null;
  readonly name: string;
  readonly recipe: string | null;
  readonly dose: string | null;
  readonly plan: DayPlanZone;
}

export function isOn({ excluded }: SiteDayInput, zoneId: number | null): boolean {
  return zoneId === null || !excluded.includes(zoneId);
}

/** What is still to be planned of a zone: its dose in a pulse of its own, and the rest of its water. */
export function partsOf(input: SiteDayInput, zone: AskedZone, fixed: readonly SitePulse[]): Asked[] {
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
    const mixerIds = mixersOf(input, zone.id, recipe);
    return {
      ...{ zoneId: zone.id, name: zone.name, recipe, dose: dose?.name ?? null },
      plan: {
        id: dose ? `${zone.id} dose` : `${zone.id}`,
        litres,
        flowLh: zone.flowLh,
        pulses: wanted.length,
        minGapMin: zone.minGapMin,
        // What passes no mixer was mixed elsewhere: nothing is to be rinsed for it.
        recipeId: mixerIds.includes(BYPASS) ? WATER : (recipe ?? WATER),
        ...shared,
        valve: `${zone.id}`,
        mixerIds,
        wantedS: wanted,
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
  const minded = byHand ? within(own, main.hands?.hours ?? []) : own;
  const wet = rule && rule.wet.length > 0 ? within(minded, rule.wet) : minded;
  return less(wet, rule?.dry ?? []);
}

/** Windows, limits, order and pump of a zone, as the main has them. */
function sharedBy(input: SiteDayInput, zone: AskedZone) {
  const { main } = input;
  const rule = main.rules.find(({ zoneId }) => zoneId === zone.id);
  const byHand = main.hands?.zoneIds.includes(zone.id) ?? false;
  const limits = main.limits.filter(({ zoneIds }) => zoneIds === null || zoneIds.includes(zone.id));
  const kw = limits.reduce((sum, limit) => sum + (limit.kw ?? 0), 0);
  return {
    windows: windowsOf(input, zone),
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

export function runsOf(input: SiteDayInput, fixed: readonly SitePulse[]): Asked[] {
  return input.main.runs.flatMap(({ name, lh, minutes, times, startS, endS }): Asked[] => {
    const own = fixed.filter((pulse) => pulse.zoneId === null && pulse.name === name);
    const left = times - own.length;
    if (left <= 0) return [];
    const windows = between(Math.max(startS, input.nowS <= 0 ? 0 : input.nowS + LEAD_S), endS);
    const gapS = (endS - startS - times * minutes * 60) / Math.max(1, times);
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
          windows,
          limitIds: input.main.limits.filter(({ zoneIds }) => zoneIds === null).map((limit) => limit.name),
          priority: USUAL_PRIORITY,
        },
      },
    ];
  });
}

/** What stands, told to the planner as zones that ask for nothing more. */
export function standing(input: SiteDayInput, fixed: readonly SitePulse[]): DayPlanZone[] {
  const all = [{ startS: 0, endS: DAY_S }];
  return fixed.map(({ id, zoneId, name, mixer, recipe, startS, lengthS, lh }) => {
    const limits = input.main.limits.filter(
      ({ zoneIds }) => zoneIds === null || (zoneId !== null && zoneIds.includes(zoneId)),
    );
    const byHand = zoneId !== null && (input.main.hands?.zoneIds.includes(zoneId) ?? false);
    return {
      ...{ id: `stands ${id}`, litres: 0, pulses: 1, minGapMin: 0, priority: 0, windows: all },
      ...{ flowLh: lh, recipeId: mixer === null ? WATER : (recipe ?? WATER), valve: zoneKey(zoneId, name), byHand },
      limitIds: [...limits.map((limit) => limit.name), ...(byHand ? [HANDS] : [])],
      fixed: [{ startS, minutes: lengthS / 60, mixerId: mixer ?? BYPASS }],
    };
  });
}

/** What a zone, or a run, is called by. */
export function zoneKey(zoneId: number | null, name: string): string {
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
  return { before: { mixerId: was[0]?.mixer ?? BYPASS, startsS: was.map(({ startS }) => startS) } };
}

function sumOf(pulses: readonly { readonly litres: number }[]): number {
  return pulses.reduce((sum, { litres }) => sum + litres, 0);
}
