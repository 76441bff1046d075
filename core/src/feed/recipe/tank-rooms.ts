import type { Product } from "../products/product.ts";
import type { Tank } from "./recipe-input.ts";

/** What a concentrate may hold: calcium, or sulphate and phosphate; and whether strong acid goes into it. */
export interface TankRoom {
  readonly tank: Tank;
  /** `direct` is feed strength, where nothing falls out that the saturation check would not name */
  readonly holds: "calcium" | "sulphate-phosphate" | "direct";
  readonly acid: boolean;
}

function brings(product: Product, ...ions: (keyof Product["composition"])[]): boolean {
  return ions.some((ion) => (product.composition[ion] ?? 0) > 0);
}

const isAlkaline = (product: Product): boolean => brings(product, "HCO3");
const isAcid = (product: Product): boolean => brings(product, "H");

/** Whether a product may go into a tank: calcium never with sulphate or phosphate, acid apart from chelates and alkaline salts. */
export function mayHold({ holds, acid }: TankRoom, product: Product): boolean {
  if (holds === "direct") return true;
  const calcium = brings(product, "Ca");
  const sulphatePhosphate = brings(product, "SO4", "H2PO4");
  if (calcium && sulphatePhosphate) return false;
  if (calcium && holds !== "calcium") return false;
  if (sulphatePhosphate && holds !== "sulphate-phosphate") return false;
  if (isAcid(product)) return acid;
  if (isAlkaline(product)) return !acid && holds !== "calcium";
  return !(product.chelate && acid);
}

/**
 * The ways in which tanks can be used, the usual one first: calcium and chelates in the first, sulphate, phosphate and acid in the second.
 */
export function tankLabellings(tanks: readonly Tank[], products: readonly Product[]): TankRoom[][] {
  const acids = products.some(isAcid);
  const apart = products.some((product) => product.chelate || isAlkaline(product));
  const acidChoices = !acids ? [false] : apart ? [false, true] : [true];
  let labellings: TankRoom[][] = [[]];
  tanks.forEach((tank, at) => {
    const rooms: TankRoom[] =
      tank.dilution <= 1
        ? [{ tank, holds: "direct", acid: true }]
        : (at % 2 === 0
            ? (["calcium", "sulphate-phosphate"] as const)
            : (["sulphate-phosphate", "calcium"] as const)
          ).flatMap((holds) =>
            (at % 2 === 0 ? acidChoices : [...acidChoices].reverse()).map((acid) => ({ tank, holds, acid })),
          );
    labellings = labellings.flatMap((before) => rooms.map((room) => [...before, room]));
  });
  return labellings;
}
