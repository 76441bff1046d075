import { mainSchema, type Main } from "@sprunel/contract/plan";
import type { Writer } from "../scope/scope.ts";

interface Row {
  site_id: number;
  version: number;
  main: string;
  actor: string;
}

/** All SQL about what the zones of a site share. */
export function mainStore({ db, actor, into }: Writer) {
  return {
    async find(siteId: number): Promise<{ version: number; main: Main } | null> {
      const row = await db<Row>("main").where({ site_id: siteId }).first();
      return row ? { version: row.version, main: mainSchema.parse(JSON.parse(row.main)) } : null;
    },
    async save(siteId: number, version: number, main: Main): Promise<void> {
      const row = { site_id: siteId, version, main: JSON.stringify(main), actor };
      await into<Row>({ table: "main" }).insert(row).onConflict("site_id").merge();
    },
  };
}
