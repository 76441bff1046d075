import type { DayChange } from "@sprunel/contract/plan";
import type { AskedZone, SiteDay } from "@sprunel/core/schedule";
import type { Writer } from "../scope/scope.ts";

interface Row {
  id: number;
  site_id: number;
  date: string;
  version: number;
  edited_at_version: number;
  asked: string;
  plan: string;
  edits: string;
  changes: string;
  changed_at_ms: number;
  actor: string;
}

/** What people changed of a day; what they locked stands with its pulse. */
export interface DayEdits {
  /** zones whose valve stays shut */
  readonly excluded: readonly number[];
  /** pulses that were not given */
  readonly missed: readonly string[];
  /** of the day before: what is given beside this day's litres, and what is let go */
  readonly again: readonly { readonly pulseId: string; readonly zoneId: number; readonly litres: number }[];
  readonly letGo: readonly string[];
}
export const NO_EDITS: DayEdits = { excluded: [], missed: [], again: [], letGo: [] };

/** What a plan was made from: it is made anew when that is another. */
export interface DayAsked {
  readonly mainVersion: number | null;
  readonly pumpLh: number | null;
  readonly zones: readonly AskedZone[];
}

export interface KeptDay {
  readonly id: number;
  readonly version: number;
  /** of the last change that a person made */
  readonly editedAtVersion: number;
  readonly asked: DayAsked;
  readonly plan: SiteDay;
  readonly edits: DayEdits;
  readonly changes: readonly DayChange[];
  readonly changedAtMs: number;
}

/** All SQL about planned days. What is stored was made by this program, and is read as it stands. */
export function dayPlanStore({ db, actor, into }: Writer) {
  return {
    async find(siteId: number, date: string): Promise<KeptDay | null> {
      const row = await db<Row>("day_plan").where({ site_id: siteId, date }).first();
      if (!row) return null;
      return {
        id: row.id,
        version: row.version,
        editedAtVersion: row.edited_at_version,
        asked: JSON.parse(row.asked) as DayAsked,
        plan: JSON.parse(row.plan) as SiteDay,
        edits: { ...NO_EDITS, ...(JSON.parse(row.edits) as Partial<DayEdits>) },
        changes: JSON.parse(row.changes) as DayChange[],
        changedAtMs: row.changed_at_ms,
      };
    },
    async save(siteId: number, date: string, day: Omit<KeptDay, "id">): Promise<void> {
      const row = {
        ...{ site_id: siteId, date, version: day.version, edited_at_version: day.editedAtVersion, actor },
        asked: JSON.stringify(day.asked),
        plan: JSON.stringify(day.plan),
        edits: JSON.stringify(day.edits),
        changes: JSON.stringify(day.changes),
        changed_at_ms: day.changedAtMs,
      };
      await into<Row>({ table: "day_plan" }).insert(row).onConflict(["site_id", "date"]).merge();
    },
  };
}
