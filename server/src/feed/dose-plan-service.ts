import type {
  DosePlan,
  DoseProgramme,
  NewDoseRecord,
  NewLeafTaken,
  PlannedDose,
  WeekOfDoses,
} from "@sprunel/contract/feed";
import { plantingKey, standingOn } from "@sprunel/core/crop";
import { checkDressings, ownAimTHa } from "@sprunel/core/feed/doses";
import { addDays } from "@sprunel/core/time";
import { DomainError } from "@sprunel/core/working";
import type { Dated } from "../crop/calendar.ts";
import { badInput, notFound, staleEdit } from "../http/problems.ts";
import type { PlanService } from "../plan/plan-service.ts";
import type { Scope } from "../scope/scope.ts";
import { seasonFor } from "./dose-facts.ts";
import type { LightOf } from "./dose-light.ts";
import { dosePlanStore } from "./dose-plan-store.ts";
import { dosePlansOfAll } from "./dose-plans-of-all.ts";
import { dosePlans } from "./dose-plans.ts";
import { leafTakenStore } from "./leaf-taken-store.ts";
import { feedRecords } from "./feed-records.ts";
import { feedStore } from "./feed-store.ts";

/** What was left undone so long ago is no longer asked about each week. */
const OVERDUE_DAYS = 14;
const WEEK_DAYS = 7;
/** A programme that aims at more than so many times the planting's own aim is a slip. */
const MOST_TIMES = 3;

export type DosePlanService = ReturnType<typeof dosePlanService>;

/** Programmes as they are kept, what became of each dose, and the week of all zones. */
export function dosePlanService(scope: Scope, plans: PlanService, lightOf: LightOf) {
  const planOf = dosePlans(scope, plans, lightOf);
  const plansOn = dosePlansOfAll(scope, planOf);
  return {
    async dosePlan(zoneId: number, asked: string | undefined): Promise<DosePlan> {
      return planOf(await scope.zone(zoneId), await scope.site.dateOr(asked));
    },

    async saveProgramme(zoneId: number, version: number | null, programme: DoseProgramme): Promise<DosePlan> {
      const zone = await scope.zone(zoneId);
      const today = await scope.site.dateOr(undefined);
      const standing = standingOn(zone.grown, today);
      if (!standing) throw badInput([{ path: "", message: `Nothing stands in ${zone.name} today; plant it first.` }]);
      const { id: siteId } = await scope.site.current();
      const records = await feedRecords(scope, siteId, today);
      programme.productIds.forEach((id, at) => {
        if (!records.productOf(id))
          throw badInput([{ path: `programme.productIds.${at}`, message: `There is no product ${id} here.` }]);
      });
      const key = plantingKey(standing.planting);
      const own = ownAimTHa(standing, programme);
      if (own !== null && (programme.yieldTHa ?? 0) > MOST_TIMES * own)
        throw badInput([
          {
            path: "programme.yieldTHa",
            message: `The yield aimed at, ${programme.yieldTHa ?? 0} t/ha, is more than ${MOST_TIMES} times the planting's own aim of ${own} t/ha; give up to ${MOST_TIMES * own} t/ha, or change that aim.`,
          },
        ]);
      try {
        // Stages and dates that this planting does not have are told before anything is kept.
        checkDressings(programme, await seasonFor(scope, zone, standing, { date: today, records }));
      } catch (error) {
        if (!(error instanceof DomainError)) throw error;
        throw badInput(error.faults.map(({ path, message }) => ({ path: `programme.${path}`, message })));
      }
      await scope.transaction(async (inner) => {
        const now = await dosePlanStore(inner).programme(zoneId, key);
        if ((now?.version ?? null) !== version)
          throw staleEdit(`The doses of ${zone.name}`, now ?? { version: null, programme });
        await dosePlanStore(inner).save(zoneId, key, (version ?? 0) + 1, programme);
      });
      return planOf(zone, today);
    },

    async record(zoneId: number, record: NewDoseRecord): Promise<DosePlan> {
      const zone = await scope.zone(zoneId);
      const today = await scope.site.dateOr(undefined);
      if (record.doneOn > today)
        throw badInput([
          { path: "doneOn", message: `A dose cannot have been given on ${record.doneOn}; today is ${today}.` },
        ]);
      const standing = standingOn(zone.grown, record.doneOn);
      if (!standing)
        throw badInput([{ path: "doneOn", message: `Nothing stood in ${zone.name} on ${record.doneOn}.` }]);
      const { id: siteId } = await scope.site.current();
      await scope.transaction(async (inner) => {
        const isNew = await dosePlanStore(inner).add(zoneId, plantingKey(standing.planting), record);
        if (isNew && record.state === "given")
          for (const { productId, kg } of record.products) await feedStore(inner).drawDown(siteId, productId, kg);
      });
      return planOf(zone, today);
    },

    async takeBack(zoneId: number, id: number): Promise<DosePlan> {
      const zone = await scope.zone(zoneId);
      const { id: siteId } = await scope.site.current();
      await scope.transaction(async (inner) => {
        const record = await dosePlanStore(inner).strike(zoneId, id);
        if (!record) throw notFound(`A note of a dose ${id}`);
        if (record.state === "given")
          for (const { productId, kg } of record.products) await feedStore(inner).drawDown(siteId, productId, -kg);
      });
      return planOf(zone, await scope.site.dateOr(undefined));
    },

    async noteLeaf(zoneId: number, leaf: NewLeafTaken): Promise<DosePlan> {
      const zone = await scope.zone(zoneId);
      const today = await scope.site.dateOr(undefined);
      if (leaf.takenOn > today)
        throw badInput([
          { path: "takenOn", message: `Leaf cannot have been taken off on ${leaf.takenOn}; today is ${today}.` },
        ]);
      const standing = standingOn(zone.grown, leaf.takenOn);
      if (!standing)
        throw badInput([{ path: "takenOn", message: `Nothing stood in ${zone.name} on ${leaf.takenOn}.` }]);
      await scope.transaction((inner) => leafTakenStore(inner).add(zoneId, plantingKey(standing.planting), leaf));
      return planOf(zone, today);
    },

    async strikeLeaf(zoneId: number, id: number): Promise<DosePlan> {
      const zone = await scope.zone(zoneId);
      await scope.transaction(async (inner) => {
        if (!(await leafTakenStore(inner).strike(zoneId, id))) throw notFound(`A note of leaf ${id}`);
      });
      return planOf(zone, await scope.site.dateOr(undefined));
    },

    /** Doses that are still to be given, of all zones that have a programme, as calendars show them. */
    async dated(): Promise<Dated[]> {
      const found = await plansOn(await scope.site.dateOr(undefined));
      return found.flatMap(({ zone, standing, plan }) =>
        plan.doses
          .filter(({ state }) => state === "planned" || state === "due")
          .map(({ on, products, basal, onlyIf }) => ({
            ...{ id: `dose-${zone.id}-${standing.since}-${on}${basal ? "-basal" : ""}`, zone: zone.name },
            ...{ zoneId: zone.id, what: `${standing.crop.name}: dose`, on, span: null },
            note:
              (onlyIf === null ? "" : `only if ${onlyIf}: `) +
              products.map(({ name, kg }) => `${kg.toFixed(2)} kg ${name}`).join(", "),
          })),
      );
    },

    /** What is to be done in the week from a date on, and what was left undone; only where a programme is kept. */
    async week(asked: string | undefined): Promise<WeekOfDoses> {
      const date = await scope.site.dateOr(asked);
      const isAsked = ({ on, state }: PlannedDose): boolean =>
        (on >= date && on < addDays(date, WEEK_DAYS)) ||
        (state === "due" && on < date && on >= addDays(date, -OVERDUE_DAYS));
      const found = await plansOn(date);
      return {
        date,
        zones: found.map(({ zone, standing, plan: { fault, doses } }) => ({
          ...{ zoneId: zone.id, zoneName: zone.name, cropName: standing.crop.name },
          fault,
          doses: doses.filter(isAsked),
        })),
      };
    },
  };
}
