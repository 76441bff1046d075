import { Checks } from "../../working/checks.ts";

interface ZoneNeed {
  readonly zoneName: string;
  /** feed in a day, m³ */
  readonly m3Day: number;
  readonly lines: readonly { readonly productId: string; readonly name: string; readonly gM3: number }[];
}

export interface OrderRow {
  readonly productId: string;
  readonly name: string;
  readonly kgDay: number;
  /** null where nobody said what stands there */
  readonly stockKg: number | null;
  readonly daysLeft: number | null;
  /** to last to the end of the days asked for, kg; 0 where the stock does; all of it where the stock is not known */
  readonly orderKg: number;
  readonly zones: readonly string[];
}

/**
 * What must be ordered so that every zone is fed for so many days, from what stands on the shelf.
 *
 * @param stockKg by product id; null where it is not known, nothing where the product is not on the shelf
 * @param days 1 to 365
 * @returns the soonest to run out first, after what nobody knows
 */
export function orderList(
  zones: readonly ZoneNeed[],
  stockKg: Readonly<Record<string, number | null>>,
  days: number,
): OrderRow[] {
  new Checks().range("days", "The days to order for", days, 1, 365, "days").done();
  const lines = new Map<string, { name: string; kgDay: number; zones: Set<string> }>();
  for (const { zoneName, m3Day, lines: needed } of zones)
    for (const { productId, name, gM3 } of needed) {
      const line = lines.get(productId) ?? { name, kgDay: 0, zones: new Set() };
      lines.set(productId, line);
      line.kgDay += (gM3 * m3Day) / 1000;
      line.zones.add(zoneName);
    }
  return [...lines]
    .filter(([, { kgDay }]) => kgDay > 0)
    .map(([productId, { name, kgDay, zones: users }]) => {
      const stock = productId in stockKg ? (stockKg[productId] ?? null) : 0;
      return {
        productId,
        name,
        kgDay,
        stockKg: stock,
        daysLeft: stock === null ? null : stock / kgDay,
        orderKg: Math.max(0, kgDay * days - (stock ?? 0)),
        zones: [...users],
      };
    })
    .sort((a, b) => (a.daysLeft ?? -1) - (b.daysLeft ?? -1));
}
