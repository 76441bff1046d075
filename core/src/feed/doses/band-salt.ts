import type { Ions } from "../../chemistry/ions.ts";
import { Checks } from "../../working/checks.ts";
import { ecWith } from "./injection.ts";
import type { Product } from "../products/product.ts";

export interface BandInput {
  /** of the zone, as bought */
  readonly products: readonly { readonly product: Product; readonly kg: number }[];
  /** of all strips together */
  readonly rowM: number;
  readonly widthCm: number;
  /** that it is worked into, cm */
  readonly depthCm: number;
  /** EC of the saturated extract at which the crop begins to suffer, and at which nothing grows, mS/cm */
  readonly thresholdMsCm: number;
  readonly zeroMsCm: number;
}

export interface BandSalt {
  /** in the water of the strip at field capacity, from the products alone, mS/cm */
  readonly ecMsCm: number;
  /** what that is in a saturated extract */
  readonly ecExtractMsCm: number;
  readonly verdict: "fits" | "slows" | "burns";
}

/** Water of a strip at field capacity, by volume. FAO-56, table 19, loams: 0.20 to 0.30. Assumed for all soils here. */
const FIELD_CAPACITY = 0.25;
/** A saturated extract holds about twice the water of a soil at field capacity. Ayers & Westcot (1985), FAO-29. */
const EXTRACT_DILUTION = 2;
const PURE: { readonly ions: Ions } = { ions: {} };

/**
 * How salty a strip gets in which all of a dose is laid, against what the crop stands.
 *
 * @throws {DomainError} for values that cannot be, all at once
 * @see Ayers & Westcot (1985), FAO-29, for extract and soil water; EC from ions as everywhere here. All of it is taken as dissolved
 *   at once, which is on the safe side
 */
export function bandSalt({ products, rowM, widthCm, depthCm, thresholdMsCm, zeroMsCm }: BandInput): BandSalt {
  new Checks()
    .positive("rowM", "The strips", rowM, 10_000_000, "m")
    .range("widthCm", "The width of the strip", widthCm, 2, 200, "cm")
    .range("depthCm", "The depth of the strip", depthCm, 2, 60, "cm")
    .done();
  const litres = rowM * (widthCm / 100) * (depthCm / 100) * FIELD_CAPACITY * 1000;
  const ecMsCm = ecWith(PURE, products, litres);
  const ecExtractMsCm = ecMsCm / EXTRACT_DILUTION;
  return {
    ecMsCm,
    ecExtractMsCm,
    verdict: ecExtractMsCm >= zeroMsCm ? "burns" : ecExtractMsCm > thresholdMsCm ? "slows" : "fits",
  };
}
