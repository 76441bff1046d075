import { nutrientRulesSchema, type NutrientRules } from "@sprunel/contract/feed";
import type { Writer } from "../scope/scope.ts";

interface Row {
  site_id: number;
  version: number;
  rules: string;
  actor: string;
}

/** All SQL about what the rules of a place allow. */
export function nutrientRulesStore({ db, actor, into }: Writer) {
  return {
    async find(siteId: number): Promise<{ version: number; rules: NutrientRules } | null> {
      const row = await db<Row>("nutrient_rules").where({ site_id: siteId }).first();
      return row ? { version: row.version, rules: nutrientRulesSchema.parse(JSON.parse(row.rules)) } : null;
    },
    async save(siteId: number, version: number, rules: NutrientRules): Promise<void> {
      const row = { site_id: siteId, version, rules: JSON.stringify(rules), actor };
      await into<Row>({ table: "nutrient_rules" }).insert(row).onConflict("site_id").merge();
    },
  };
}
