import type { DoseInjection, DoseProgramme } from "@sprunel/contract/feed";
import { ecWith, injection, solubilityAt, USUAL_TANK_TEMPERATURE_C } from "@sprunel/core/feed";
import { travelTime } from "@sprunel/core/irrigation";
import { dripLinesStore } from "../irrigation/drip-lines-store.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { waterOf, type FeedRecords } from "./feed-records.ts";

type Products = readonly { readonly productId: string; readonly kg: number }[];

/** How a zone's doses come to its plants. */
export interface Delivery {
  /** into the water over some minutes; null for what is spread by hand */
  inject(products: Products): DoseInjection | null;
  /** EC of so many litres with them; null while the water is not known */
  ecIn(products: Products, litres: number): number | null;
}

export async function deliveryTo(
  scope: Scope,
  zone: StoredZone,
  { injectMin, travelMin, mostEcMsCm }: DoseProgramme,
  records: FeedRecords,
): Promise<Delivery> {
  const { flowLh } = zone.definition;
  const lines = await dripLinesStore(scope).find(zone.id);
  const travel = travelMin ?? (lines && travelTime({ ...lines, flowLh }).minutes);
  const { water } = waterOf(records, zone);
  const inFull = (products: Products) =>
    products.flatMap(({ productId, kg }) => {
      const product = records.productOf(productId);
      if (!product) return [];
      const { solubility, ...rest } = product;
      return [{ product: { ...rest, solubilityGL: solubilityAt(solubility, USUAL_TANK_TEMPERATURE_C) }, kg }];
    });
  return {
    inject(products) {
      if (injectMin === null || flowLh <= 0) return null;
      const asked = { flowLh, water, injectMin, mostEcMsCm, travelMin: travel ?? 0 };
      const {
        liquids: _liquids,
        working: _working,
        warnings,
        ...told
      } = injection({ ...asked, products: inFull(products) });
      return { ...told, ...(travel === null && { fillMin: null, flushMin: null }), warnings: [...warnings] };
    },
    ecIn: (products, litres) => (water && litres > 0 ? ecWith(water, inFull(products), litres) : null),
  };
}
