import type { DayChange } from "@sprunel/contract/plan";
import type { AskedZone, SiteDay } from "@sprunel/core/schedule";
import type { DayAsked, KeptDay } from "./day-plan-store.ts";

/** A zone's litres may move so far before its day is planned anew. */
const WORTH = 0.01;
/** A pulse that moved less is told of no more, s. */
const WORTH_TELLING_S = 60;
const MOST_TOLD = 8;

/** Whether a day rests on something else than it did. */
export function isOther(was: DayAsked, is: DayAsked): boolean {
  if (was.mainVersion !== is.mainVersion || was.pumpLh !== is.pumpLh || was.zones.length !== is.zones.length)
    return true;
  return is.zones.some((zone) => {
    const before = was.zones.find(({ id }) => id === zone.id);
    return !before || differs(before, zone);
  });
}

function differs(a: AskedZone, b: AskedZone): boolean {
  return (
    Math.abs(a.litres - b.litres) > WORTH * Math.max(1, a.litres) ||
    Math.abs(givenTo(a) - givenTo(b)) > WORTH * Math.max(1, a.litres) ||
    a.wantedS.length !== b.wantedS.length ||
    a.flowLh !== b.flowLh ||
    a.minGapMin !== b.minGapMin ||
    a.recipe !== b.recipe ||
    a.name !== b.name ||
    a.window.startS !== b.window.startS ||
    a.window.endS !== b.window.endS ||
    a.dose?.minutes !== b.dose?.minutes
  );
}

/** Beside any plan. */
function givenTo({ given = [] }: AskedZone): number {
  return given.reduce((sum, { litres }) => sum + litres, 0);
}

/** What a plan changed of the one before it, zone by zone; nothing of a first one. */
export function changesOf(kept: KeptDay | null, asked: DayAsked, plan: SiteDay): DayChange[] {
  if (!kept) return [];
  const changes: DayChange[] = kept.asked.mainVersion === asked.mainVersion ? [] : [{ kind: "main" }];
  for (const zone of asked.zones) {
    const { id, name } = zone;
    const before = kept.asked.zones.find((one) => one.id === id);
    if (before && Math.abs(before.litres - zone.litres) > WORTH * Math.max(1, before.litres))
      changes.push({ kind: "litres", name, fromL: before.litres, toL: zone.litres });
    const [was, is] = [kept.plan, plan].map(({ pulses }) => pulses.filter(({ zoneId }) => zoneId === id));
    if (!was || !is) continue;
    if (was.length !== is.length) changes.push({ kind: "pulses", name, from: was.length, to: is.length });
    const moved = is.flatMap((pulse) => {
      const old = was.find((one) => one.id === pulse.id);
      const byS = old ? pulse.startS - old.startS : 0;
      return Math.abs(byS) >= WORTH_TELLING_S ? [byS] : [];
    });
    const most = moved.reduce((far, byS) => (Math.abs(byS) > Math.abs(far) ? byS : far), 0);
    if (moved.length > 0) changes.push({ kind: "moved", name, pulses: moved.length, minutes: Math.round(most / 60) });
  }
  return changes.slice(0, MOST_TOLD);
}
