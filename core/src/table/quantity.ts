import { unitsIn } from "./unit-text.ts";

/** What a column's figures are amounts of, and in what they may be written. */
export interface Quantity {
  /** offered to choose from; the first is taken where none is written */
  readonly units: readonly string[];
  /** the first of the units where left out */
  readonly canonical?: string;
  /** canonical amount of one of a unit of another kind: MJ/m² of a mean of 1 W/m² over the hour */
  readonly alike?: Readonly<Record<string, number>>;
  /** scales that are no unit of their own, by how they are written without spaces and in small letters */
  readonly scales?: readonly {
    readonly name: string;
    readonly written: RegExp;
    readonly factor: number;
    readonly assumed?: boolean;
  }[];
}

export interface Conversion {
  /** as it is offered to choose from, or as it is written */
  readonly unit: string;
  /** canonical = shown × factor + offset */
  readonly factor: number;
  readonly offset: number;
  /** in what the amount is counted, where the unit says it: "N" */
  readonly basis: string | null;
  /** the scale is the usual one of several of that name */
  readonly assumed?: boolean;
}

const known = new WeakMap<Quantity, Map<string, Conversion | null>>();

/**
 * What a text means as a unit of a quantity.
 *
 * @returns null for what is no unit of it
 */
export function conversionOf(quantity: Quantity, text: string): Conversion | null {
  const ofQuantity = known.get(quantity) ?? new Map<string, Conversion | null>();
  known.set(quantity, ofQuantity);
  const found = ofQuantity.get(text);
  if (found !== undefined) return found;
  const conversion = converted(quantity, text);
  ofQuantity.set(text, conversion);
  return conversion;
}

function converted(quantity: Quantity, text: string): Conversion | null {
  const plain = text.toLowerCase().replace(/\s/g, "");
  const scale = quantity.scales?.find(({ name, written }) => name === text || written.test(plain));
  if (scale)
    return {
      unit: scale.name,
      factor: scale.factor,
      offset: 0,
      basis: null,
      ...(scale.name !== text && scale.assumed && { assumed: true }),
    };
  const canonical = quantity.canonical ?? quantity.units[0] ?? "";
  const bases: [string, number][] = [[canonical, 1], ...Object.entries(quantity.alike ?? {})];
  for (const meant of unitsIn(text))
    for (const [name, amount] of bases) {
      const base = unitsIn(name)[0];
      if (!base || base.dimension !== meant.dimension) continue;
      return {
        // What says in what it is counted keeps saying so.
        unit:
          (meant.basis === null ? offered(quantity, meant.factor, meant.offset, meant.dimension) : undefined) ??
          text.trim(),
        factor: (amount * meant.factor) / base.factor,
        offset: (amount * (meant.offset - base.offset)) / base.factor,
        basis: meant.basis,
      };
    }
  return null;
}

/** The unit among those offered that is the same as one that was written in another way. */
function offered({ units }: Quantity, factor: number, offset: number, dimension: string): string | undefined {
  return units.find((name) => {
    const one = unitsIn(name)[0];
    return one?.dimension === dimension && Math.abs(one.factor / factor - 1) < 1e-9 && one.offset === offset;
  });
}

/** What may be chosen for a column of a quantity, and what stands in the file beside it. */
export function choicesOf({ units, scales = [] }: Quantity): readonly string[] {
  return [...new Set([...units, ...scales.map(({ name }) => name)])];
}
