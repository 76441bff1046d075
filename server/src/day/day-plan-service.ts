import type { DayChange, DayEdit, SiteDay as DayAnswer } from "@sprunel/contract/plan";
import type { Site } from "@sprunel/contract/site";
import type { SiteDay, SiteDayInput, SitePulse } from "@sprunel/core/schedule";
import { addDays, clockOf, localDate, startOfLocalDay } from "@sprunel/core/time";
import { setTimeout } from "node:timers/promises";
import { badInput, notFound, staleEdit } from "../http/problems.ts";
import { wateringStore } from "../irrigation/watering-store.ts";
import type { DosePlanService } from "../feed/dose-plan-service.ts";
import type { FeedService } from "../feed/feed-service.ts";
import type { PlanService } from "../plan/plan-service.ts";
import { cachedWhole, keptOfSite } from "../scope/cache.ts";
import type { Scope } from "../scope/scope.ts";
import { askedZones } from "./asked-zones.ts";
import { dayAnswer, matched, timedOn } from "./day-answer.ts";
import { changesOf, isOther } from "./day-changes.ts";
import { edited } from "./day-edits.ts";
import { mainInSeconds } from "./main-in-seconds.ts";
import { dayPlanStore, NO_EDITS, type DayAsked, type DayEdits, type KeptDay } from "./day-plan-store.ts";
import type { MainService } from "./main-service.ts";

/** So long a better plan is looked for, s. */
const SEARCH_S = 3;
/** Whoever changed the day is answered first, and may change more, ms. */
const AFTER_MS = 250;
/** A plan may take so long beyond its search before it is given up, ms. */
const PATIENCE_MS = 8000;
/** s from midnight of a day that is over, and of one that is still to come. */
const OVER_S = 86_400;
const AHEAD_S = -1;

export type DayPlanService = ReturnType<typeof dayPlanService>;

interface Rooms {
  readonly plans: PlanService;
  readonly feed: FeedService;
  readonly doses: DosePlanService;
  readonly main: MainService;
  /** does something beside requests */
  beside(what: string, work: (signal: AbortSignal) => Promise<void>): void;
}

/** How the days of a site are being planned. */
interface Planning {
  /** what better plans are being looked for, by date; each ends as soon as its flag is set */
  readonly searches: Map<string, Int32Array>;
  /** the turn that was taken last */
  last: Promise<unknown>;
}

/** Pulses of so many dates are kept. */
const MOST_DATES = 200;

const planningIn = keptOfSite((): Planning => ({ searches: new Map(), last: Promise.resolve() }));

type PulsesOfZones = ReadonlyMap<number, readonly SitePulse[]>;
/** By date; boards ask for the same ones. */
const pulsesIn = cachedWhole<Map<string, PulsesOfZones | null>>(["day_plan"], () => new Map());

/** The day of all zones: planned, planned anew where what it rests on has changed, changed by people, and as it ran. */
export function dayPlanService(scope: Scope, { plans, feed, doses, main, beside }: Rooms) {
  const planning = planningIn(scope);
  const { searches } = planning;
  /** One after the other: two that ask at once are told of one plan. */
  function inTurn<T>(work: () => Promise<T>): Promise<T> {
    const turn = planning.last.then(work, work);
    planning.last = turn.catch(() => undefined);
    return turn;
  }

  /** What a day rests on, and how far it has come. */
  async function groundOf(date: string) {
    const site = await scope.site.current();
    const nowMs = scope.clock();
    const today = localDate(nowMs, site.timeZone);
    const nowS = date < today ? OVER_S : date > today ? AHEAD_S : clockOf(nowMs, site.timeZone).clockS;
    const shared = await main.read(site);
    const zones = await scope.zones();
    const given = await wateringStore(scope).between(
      startOfLocalDay(date, site.timeZone),
      startOfLocalDay(addDays(date, 1), site.timeZone),
    );
    const kept = await dayPlanStore(scope).find(site.id, date);
    const { beside: unplanned } = matched(timedOn(date, site.timeZone, kept), given);
    // A day that is over is not planned any more.
    const zonesAsked = date < today ? [] : await askedZones(site, zones, date, { plans, feed, doses, unplanned });
    const asked: DayAsked = { mainVersion: shared.version, pumpLh: site.pumpLh, zones: zonesAsked };
    return { site, nowMs, nowS, today, main: mainInSeconds(shared.main), zones, asked, given, kept };
  }
  type Ground = Awaited<ReturnType<typeof groundOf>>;

  function questionOf(
    { main: shared, asked, nowS }: Ground,
    edits: DayEdits,
    pulses: readonly SitePulse[],
  ): SiteDayInput {
    const zones = asked.zones.map((zone) => {
      const again = edits.again.filter(({ zoneId }) => zoneId === zone.id);
      if (again.length === 0) return zone;
      const last = zone.wantedS.at(-1) ?? zone.window.startS;
      const step = (zone.window.endS - last) / (again.length + 1);
      return {
        ...zone,
        litres: zone.litres + again.reduce((sum, { litres }) => sum + litres, 0),
        wantedS: [...zone.wantedS, ...again.map((_, at) => last + step * (at + 1))],
      };
    });
    return { main: shared, zones, nowS, kept: pulses, excluded: edits.excluded };
  }

  /** At once, or as good as can be found in some time, unless it is halted before. */
  async function planned(question: SiteDayInput, timeLimitS = 0, halted?: Int32Array): Promise<SiteDay> {
    // Whoever searches knows the way best; while it looks for another date's plan nobody waits for it.
    const ask = timeLimitS > 0 || searches.size === 0 ? scope.pool.search : scope.pool.run;
    return ask("site-day", { input: question, timeLimitS, halted }, { mostMs: timeLimitS * 1000 + PATIENCE_MS });
  }

  /** Plans a day anew and keeps it. */
  async function keepAnew(
    date: string,
    ground: Ground,
    kept: KeptDay | null,
    edits: DayEdits,
    {
      pulses = kept?.plan.pulses ?? [],
      why,
      byPerson = false,
    }: {
      readonly pulses?: readonly SitePulse[];
      readonly why: readonly DayChange[];
      readonly byPerson?: boolean;
    },
  ): Promise<KeptDay | null> {
    haltSearch(date);
    const plan = await planned(questionOf(ground, edits, pulses));
    const version = (kept?.version ?? 0) + 1;
    await save(ground.site.id, date, {
      version,
      editedAtVersion: byPerson || !kept ? version : kept.editedAtVersion,
      ...{ asked: ground.asked, plan, edits },
      changes: [...why, ...changesOf(kept, ground.asked, plan)],
      changedAtMs: ground.nowMs,
    });
    if (!kept || plan.unmet.length > 0) improveBeside(date);
    return dayPlanStore(scope).find(ground.site.id, date);
  }

  const save = (...day: Parameters<ReturnType<typeof dayPlanStore>["save"]>): Promise<void> =>
    scope.transaction((inner) => dayPlanStore(inner).save(...day));

  /** What is looked for rests on what is no more. */
  function haltSearch(date: string): void {
    const halted = searches.get(date);
    if (halted) Atomics.store(halted, 0, 1);
    searches.delete(date);
  }

  /** Looks for a better plan than the one that is kept, beside everything else. */
  function improveBeside(date: string): void {
    haltSearch(date);
    const halted = new Int32Array(new SharedArrayBuffer(Int32Array.BYTES_PER_ELEMENT));
    searches.set(date, halted);
    const isOver = (): boolean => searches.get(date) !== halted;
    beside("the day's plan", async (signal) => {
      try {
        await setTimeout(AFTER_MS);
        if (isOver()) return;
        const ground = await groundOf(date);
        const before = ground.kept;
        if (!before || signal.aborted || isOver()) return;
        const question = { ...questionOf(ground, before.edits, before.plan.pulses), afresh: true };
        const plan = await planned(question, SEARCH_S, halted);
        if (isOver()) return;
        await inTurn(async () => {
          const now = await dayPlanStore(scope).find(ground.site.id, date);
          // What came in meanwhile is newer than what was looked for.
          if (now?.version !== before.version || !isBetter(plan, before.plan)) return;
          await save(ground.site.id, date, {
            ...before,
            version: before.version + 1,
            plan,
            changes: [{ kind: "better" }, ...changesOf(before, before.asked, plan)],
            changedAtMs: scope.clock(),
          });
        });
      } finally {
        if (!isOver()) searches.delete(date);
      }
    });
  }

  /** The plan of a date as it is now; made where there is none, and anew where what it rests on has changed. */
  async function current(date: string): Promise<{ ground: Ground; kept: KeptDay | null }> {
    const ground = await groundOf(date);
    const { kept } = ground;
    if (ground.nowS >= OVER_S || ground.asked.zones.length === 0) return { ground, kept };
    if (kept && !isOther(kept.asked, ground.asked)) return { ground, kept };
    const why: DayChange[] = kept ? [] : [{ kind: "first" }];
    return { ground, kept: await keepAnew(date, ground, kept, kept?.edits ?? NO_EDITS, { why }) };
  }

  async function answerOf(date: string, ground: Ground, kept: KeptDay | null): Promise<DayAnswer> {
    const before = await dayPlanStore(scope).find(ground.site.id, addDays(date, -1));
    return dayAnswer({
      ...{ date, ground, kept, given: ground.given, improving: searches.has(date) },
      question: questionOf(ground, kept?.edits ?? NO_EDITS, []),
      before,
    });
  }

  return {
    async day(asked: string | undefined): Promise<DayAnswer> {
      const date = await scope.site.dateOr(asked);
      return inTurn(async () => {
        const { ground, kept } = await current(date);
        return answerOf(date, ground, kept);
      });
    },

    async edit(date: string, { version, edit }: DayEdit): Promise<DayAnswer> {
      return inTurn(async () => {
        const { ground, kept } = await current(date);
        if (!kept) throw notFound(`A plan of ${date}`);
        // What the program itself planned anew meanwhile takes nothing from what a person saw.
        if (version < kept.editedAtVersion || version > kept.version)
          throw staleEdit("The day of all zones", await answerOf(date, ground, kept));
        if (ground.nowS >= OVER_S && edit.kind !== "missed")
          throw badInput([{ path: "edit.kind", message: `${date} is over; nothing of it can be moved any more.` }]);
        const { site, zones } = ground;
        const { edits, pulses, why } = edited(
          {
            ...{ date, zones, kept, timeZone: site.timeZone },
            before: await dayPlanStore(scope).find(site.id, addDays(date, -1)),
            questionOf: () => questionOf(ground, kept.edits, kept.plan.pulses),
          },
          edit,
        );
        if (edit.kind === "missed") {
          await save(ground.site.id, date, { ...kept, edits });
          return answerOf(date, ground, { ...kept, edits });
        }
        if (edit.kind === "afresh") {
          improveBeside(date);
          return answerOf(date, ground, kept);
        }
        return answerOf(date, ground, await keepAnew(date, ground, kept, edits, { pulses, why, byPerson: true }));
      });
    },

    /** Pulses of a date as they are kept, by zone; null where none is. What asks for them plans nothing. */
    async pulsesOn(site: Site, date: string): Promise<PulsesOfZones | null> {
      const pulses = pulsesIn(scope);
      const known = pulses.get(date);
      if (known !== undefined) return known;
      const kept = await dayPlanStore(scope).find(site.id, date);
      const byZone = new Map<number, SitePulse[]>();
      for (const pulse of kept?.plan.pulses ?? [])
        if (pulse.zoneId !== null) byZone.set(pulse.zoneId, [...(byZone.get(pulse.zoneId) ?? []), pulse]);
      if (pulses.size >= MOST_DATES) pulses.clear();
      pulses.set(date, kept && byZone);
      return kept && byZone;
    },

    /** Keeps today's plan at what the day rests on, whoever looks at it. */
    async follow(): Promise<void> {
      if (!(await scope.site.find()) || (await scope.zones()).length === 0) return;
      await this.day(undefined);
    },
  };
}

/** Less stays undone, or, with the same litres, the pumps cost less. */
function isBetter(a: SiteDay, b: SiteDay): boolean {
  const undone = ({ unmet }: SiteDay): number => unmet.reduce((sum, { litres }) => sum + litres, 0);
  const cost = ({ energy }: SiteDay): number => energy.reduce((sum, one) => sum + (one.cost ?? 0), 0);
  const less = undone(b) - undone(a);
  if (Math.abs(less) > 1) return less > 0;
  return cost(a) < cost(b) - 0.005;
}
