import type { Change, ChangeFilter, Changes, ChangesCheck } from "@sprunel/contract/changes";
import { addDays, startOfLocalDay } from "@sprunel/core/time";
import { notFound } from "../http/problems.ts";
import { changeStore, hashOf, type ChangesAsked, type KeptChange } from "../scope/change-store.ts";
import type { Scope } from "../scope/scope.ts";
import { zoneStore } from "../scope/zone-store.ts";

const PAGE = 500;

/** A line of the table of changes: one field of one record. */
export interface ChangeLine extends Record<string, string | number | null> {
  readonly at: string;
  readonly by: string;
  readonly device: string;
  readonly request: string;
  readonly zone: string | null;
  readonly record: string;
  readonly known: string;
  readonly did: string;
  readonly field: string;
  readonly was: string | number | null;
  readonly is: string | number | null;
}

/** Who changed what. */
export function changeService(scope: Scope) {
  const asked = async ({ from, to, ...filter }: ChangeFilter): Promise<ChangesAsked> => {
    if (from === undefined && to === undefined) return filter;
    const { timeZone } = await scope.site.current();
    return {
      ...filter,
      ...(from !== undefined && { fromMs: startOfLocalDay(from, timeZone) }),
      ...(to !== undefined && { beforeMs: startOfLocalDay(addDays(to, 1), timeZone) }),
    };
  };
  const zonesHere = async (): Promise<ReadonlySet<number>> =>
    new Set((await zoneStore(scope).all()).map(({ id }) => id));

  return {
    /** @throws 404 where there is no change with the id that they are to stand behind */
    async list(filter: ChangeFilter, before: number | undefined, most: number): Promise<Changes> {
      const store = changeStore(scope);
      const zones = await zonesHere();
      const behind = before === undefined ? undefined : await store.find(before);
      if (behind === null) throw notFound(`Change ${before ?? ""}`);
      const found = await store.list({ ...(await asked(filter)), behind }, most + 1);
      return {
        changes: found.slice(0, most).map((kept) => shown(kept, zones)),
        more: found.length > most,
        people: await store.people(),
      };
    },

    /** All that fit the filter, the newest first, a line for each field. */
    async table(filter: ChangeFilter): Promise<ChangeLine[]> {
      const which = await asked(filter);
      const lines: ChangeLine[] = [];
      for (let behind: KeptChange | undefined; ;) {
        const page: KeptChange[] = await changeStore(scope).list({ ...which, behind }, PAGE);
        for (const { change } of page) lines.push(...linesOf(change));
        if (page.length < PAGE) return lines;
        behind = page.at(-1);
      }
    },

    /** Looks whether each change holds the hash of the one before it. Changes of a site's file begin a chain of their own. */
    async check(): Promise<ChangesCheck> {
      let looked = 0;
      let last: KeptChange | null = null;
      for (;;) {
        const page: KeptChange[] = await changeStore(scope).after(last?.id ?? 0, PAGE);
        for (const kept of page) {
          looked += 1;
          const begins = kept.fromFile && !last?.fromFile && kept.change.before === "";
          if (!begins && kept.change.before !== (last ? hashOf(last.change) : ""))
            return { changes: looked, brokenAt: kept.change.at };
          last = kept;
        }
        if (page.length < PAGE) return { changes: looked, brokenAt: null };
      }
    },
  };
}

function shown({ id, change, zoneId, fromFile }: KeptChange, zones: ReadonlySet<number>): Change {
  return { ...change, id, zoneId: zoneId !== null && zones.has(zoneId) ? zoneId : null, fromFile };
}

function linesOf({ at, by, device, endpoint, zone, records, counts }: KeptChange["change"]): ChangeLine[] {
  const head = { at, by, device, request: endpoint, zone };
  const none = { field: "", was: null, is: null };
  return [
    ...records.flatMap(({ kind, known, did, fields }) => {
      const record = { ...head, record: kind, known: Object.values(known).join(" "), did };
      if (fields.length === 0) return [{ ...record, ...none }];
      return fields.map(({ path, was, is }) => ({
        ...record,
        field: path.join("."),
        was: cell(was),
        is: cell(is),
      }));
    }),
    ...counts.flatMap(({ kind, ...done }) =>
      Object.entries(done)
        .filter(([, count]) => count > 0)
        .map(([did, count]) => ({ ...head, record: kind, known: `${count} records`, did, ...none })),
    ),
  ];
}

function cell(value: unknown): string | number | null {
  if (value === undefined || value === null) return null;
  return typeof value === "number" || typeof value === "string" ? value : JSON.stringify(value);
}
