import { newOwnProductSchema, type NewOwnProduct } from "@sprunel/contract/feed";
import type { Writer } from "../scope/scope.ts";

interface OwnRow {
  id: number;
  site_id: number;
  product: string;
  actor: string;
}
export type OwnProduct = NewOwnProduct & { readonly id: string };

/** All SQL about bags by their label. Their ids stand beside those of the library. */
export function ownProductStore({ db, actor, into }: Writer) {
  return {
    async list(siteId: number): Promise<OwnProduct[]> {
      const rows = await db<OwnRow>("own_product").where({ site_id: siteId }).orderBy("id");
      return rows.map((row) => ({ ...newOwnProductSchema.parse(JSON.parse(row.product)), id: `own-${row.id}` }));
    },
    async add(siteId: number, product: NewOwnProduct): Promise<string> {
      const [id = 0] = await into<OwnRow>({ table: "own_product" }).insert({
        site_id: siteId,
        product: JSON.stringify(product),
        actor,
      });
      return `own-${id}`;
    },
  };
}
