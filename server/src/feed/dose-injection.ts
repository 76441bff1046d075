import type { DoseInjection, DoseProgramme } from "@sprunel/contract/feed";
import { injection, solubilityAt, USUAL_TANK_TEMPERATURE_C } from "@sprunel/core/feed";
import { travelTime } from "@sprunel/core/irrigation";
import { dripLinesStore } from "../irrigation/drip-lines-store.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { waterOf, type FeedRecords } from "./feed-records.ts";

type Products = readonly { readonly productId: string; readonly kg: number }[];

/** How a zone's doses go into its water; a dose that is spread by hand does not. */
export async function injectedInto(
  scope: Scope,
  zone: StoredZone,
  { injectMin, travelMin, mostEcMsCm }: DoseProgramme,
  records: FeedRecords,
): Promise<(products: Products) => DoseInjection | null> {
  const { flowLh } = zone.definition;
  if (injectMin === null || flowLh <= 0) return () => null;
  const lines = await dripLinesStore(scope).find(zone.id);
  const travel = travelMin ?? (lines && travelTime({ ...lines, flowLh }).minutes);
  const { water } = waterOf(records, zone);
  return (products) => {
    const found = injection({
      products: products.flatMap(({ productId, kg }) => {
        const product = records.productOf(productId);
        if (!product) return [];
        const { solubility, ...rest } = product;
        return [{ product: { ...rest, solubilityGL: solubilityAt(solubility, USUAL_TANK_TEMPERATURE_C) }, kg }];
      }),
      ...{ flowLh, water, injectMin, mostEcMsCm, travelMin: travel ?? 0 },
    });
    const { liquids: _liquids, working: _working, warnings, ...told } = found;
    return {
      ...told,
      ...(travel === null && { fillMin: null, flushMin: null }),
      warnings: [...warnings],
    };
  };
}
