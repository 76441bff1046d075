import { DAY_S } from "./day-job.ts";
import type { DayPlan } from "./day-plan-answer.ts";
import type { DayPlanInput } from "./day-plan-input.ts";
import { dayPlan } from "./day-plan.ts";
import { BYPASS, HANDS, isOn, LEAD_S, partsOf, runsOf, standing, zoneKey, type Asked } from "./site-day-asked.ts";
import { energyOf } from "./site-day-energy.ts";
import type { SiteDay, SiteDayInput, SitePulse } from "./site-day-input.ts";
import { mostAtOnce } from "./spans.ts";

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
    peakLh: mostAtOnce(pulses.map(({ startS, lengthS, lh }) => ({ startS, endS: startS + lengthS, lh }))),
    energy: energyOf(main, pulses),
  };
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
    .map(({ startS, mixerId, litres, lh }) => ({
      id: free.shift() ?? `${key}-${++next}`,
      ...{ zoneId, name, recipe, dose, litres, lh, locked: false },
      mixer: mixerId === BYPASS ? null : mixerId,
      startS,
      lengthS: (litres / lh) * 3600,
    }));
}

/** How dry a root zone gets by the evening when it waits: what is gone this morning, and what it does not get. */
function goneWithout({ zones }: SiteDayInput, zoneId: number | null, litres: number): number | null {
  const roots = zones.find(({ id }) => id === zoneId)?.roots;
  return roots ? Math.min(100, (100 * (roots.goneL + litres)) / roots.availableL) : null;
}
