import type { DoseInjection, DoseProgramme, PlannedDose } from "@sprunel/contract/feed";
import { solubilityAt } from "@sprunel/core/feed/products";
import { USUAL_TANK_TEMPERATURE_C } from "@sprunel/core/feed/recipe";
import { bandSalt, ecWith, injection } from "@sprunel/core/feed/doses";
import type { Crop } from "@sprunel/core/crop";
import { travelTime } from "@sprunel/core/irrigation";
import { dripLinesStore } from "../irrigation/drip-lines-store.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { waterOf, type FeedRecords } from "./feed-records.ts";

/** A strip is worked in about as deep as a hand hoe reaches. Assumed. */
const BAND_DEPTH_CM = 15;

type Products = readonly { readonly productId: string; readonly kg: number }[];

/** How a zone's doses come to its plants. */
export interface Delivery {
  /** into the water over some minutes; null for what is spread by hand */
  inject(products: Products): DoseInjection | null;
  /** laid in strips; null where it is not, or nobody described the rows */
  band(products: Products): PlannedDose["band"];
  /** EC of so many litres with them; null while the water is not known */
  ecIn(products: Products, litres: number): number | null;
}

export async function deliveryTo(
  scope: Scope,
  zone: StoredZone,
  { injectMin, travelMin, mostEcMsCm, bandWidthCm }: DoseProgramme,
  {
    records,
    crop,
    rowM,
    dayL,
  }: {
    readonly records: FeedRecords;
    readonly crop: Crop;
    readonly rowM: number | null;
    /** that the zone was given in a day of late; null where nothing was */
    readonly dayL: number | null;
  },
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
      const tooLong =
        dayL !== null && told.runL > dayL
          ? [
              `The run takes ${told.runL.toFixed(0)} L, and the zone drinks ${dayL.toFixed(0)} L in a day: inject for less, or it drains.`,
            ]
          : [];
      return {
        ...told,
        ...(travel === null && { fillMin: null, flushMin: null }),
        warnings: [...warnings, ...tooLong],
      };
    },
    band(products) {
      if (bandWidthCm === null || rowM === null) return null;
      const [thresholdMsCm, zeroMsCm] = [crop.ecThresholdMsCm.value, crop.ecZeroYieldMsCm.value];
      const strip = { rowM, widthCm: bandWidthCm, depthCm: BAND_DEPTH_CM, thresholdMsCm, zeroMsCm };
      const { ecExtractMsCm, verdict } = bandSalt({ ...strip, products: inFull(products) });
      const grams = products.reduce((sum, { kg }) => sum + kg * 1000, 0);
      return { gMetre: grams / rowM, ecExtractMsCm, thresholdMsCm, verdict };
    },
    ecIn: (products, litres) => (water && litres > 0 ? ecWith(water, inFull(products), litres) : null),
  };
}
