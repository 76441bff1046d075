import type { Product } from "../products/product.ts";
import { mayHold, type TankRoom } from "./tank-rooms.ts";

/**
 * Whether two products may stand in one concentrate, and why not.
 *
 * Measured against the same walls that recipes keep: calcium from sulphate and phosphate, strong acid from chelates and
 * from alkaline salts. At feed strength saturation decides instead.
 */
export function mayStandTogether(a: Product, b: Product): { readonly ok: boolean; readonly reason: string } {
  const rooms = (["calcium", "sulphate-phosphate"] as const).flatMap((holds) =>
    [false, true].map((acid): TankRoom => ({ tank: { id: "one", volumeL: 1, dilution: 100 }, holds, acid })),
  );
  if (rooms.some((room) => mayHold(room, a) && mayHold(room, b)))
    return { ok: true, reason: `${a.name} and ${b.name} may stand in one tank.` };
  return { ok: false, reason: reasonOf(a, b) ?? reasonOf(b, a) ?? `${a.name} and ${b.name} stand apart.` };
}

const brings = (product: Product, ion: keyof Product["composition"]): boolean => (product.composition[ion] ?? 0) > 0;

function reasonOf(a: Product, b: Product): string | null {
  if (brings(a, "Ca") && brings(b, "SO4"))
    return `The calcium of ${a.name} and the sulphate of ${b.name} fall out as gypsum.`;
  if (brings(a, "Ca") && brings(b, "H2PO4"))
    return `The calcium of ${a.name} and the phosphate of ${b.name} fall out as calcium phosphate.`;
  if (brings(a, "H") && b.chelate) return `The acid of ${a.name} breaks the chelate of ${b.name}.`;
  if (brings(a, "H") && brings(b, "HCO3")) return `${a.name} boils up with the alkaline ${b.name}.`;
  if (brings(a, "Ca") && brings(b, "HCO3")) return `The calcium of ${a.name} falls out as lime with ${b.name}.`;
  return null;
}
