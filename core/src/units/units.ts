/** Every quantity is kept in one canonical unit and shown in the person's own. */

interface Unit {
  /** canonical = shown × factor + offset */
  readonly factor: number;
  readonly offset?: number;
}

const LITRES_PER_GALLON = 3.785411784; // US liquid gallon, NIST Handbook 44, appendix C
const METRES_PER_FOOT = 0.3048;
const KG_PER_POUND = 0.45359237;
const GRAMS_PER_OUNCE = (1000 * KG_PER_POUND) / 16;

/** The first unit of each quantity is the canonical one. */
export const UNITS = {
  temperature: { "°C": { factor: 1 }, "°F": { factor: 5 / 9, offset: -160 / 9 } },
  temperatureSum: { "°C·d": { factor: 1 }, "°F·d": { factor: 5 / 9 } },
  waterDepth: { "L/m²": { factor: 1 }, in: { factor: 25.4 } },
  depth: { cm: { factor: 1 }, in: { factor: 2.54 } },
  rain: { mm: { factor: 1 }, in: { factor: 25.4 } },
  volume: { L: { factor: 1 }, gal: { factor: LITRES_PER_GALLON } },
  /** a store of water, or a day's draw on it */
  bulk: { "m³": { factor: 1 }, gal: { factor: LITRES_PER_GALLON / 1000 } },
  /** money; the currency stands before it */
  pricePerBulk: { "per m³": { factor: 1 }, "per 1000 gal": { factor: 1 / LITRES_PER_GALLON } },
  pricePerMass: { "per kg": { factor: 1 }, "per lb": { factor: 1 / KG_PER_POUND } },
  /** of a product in the feed */
  dose: { "g/m³": { factor: 1 }, "mg/L": { factor: 1 } },
  acidDose: { "mL/m³": { factor: 1 }, "fl oz/1000 gal": { factor: 1000 / 128 } },
  flow: { "L/h": { factor: 1 }, "gal/h": { factor: LITRES_PER_GALLON } },
  length: { m: { factor: 1 }, ft: { factor: METRES_PER_FOOT } },
  /** from plant to plant, dripper to dripper, bed to bed */
  spacing: { m: { factor: 1 }, in: { factor: METRES_PER_FOOT / 12 } },
  area: { "m²": { factor: 1 }, "ft²": { factor: METRES_PER_FOOT ** 2 } },
  /** plants on the ground */
  density: { "per m²": { factor: 1 }, "per ft²": { factor: METRES_PER_FOOT ** -2 } },
  land: { ha: { factor: 1 }, acre: { factor: 0.40468564224 } },
  /** nutrient on the ground */
  perLand: { "kg/ha": { factor: 1 }, "lb/acre": { factor: KG_PER_POUND / 0.40468564224 } },
  /** a crop off the ground, or manure on it; US short tons */
  bulkPerLand: { "t/ha": { factor: 1 }, "ton/acre": { factor: (2 * KG_PER_POUND) / 0.40468564224 } },
  /** nutrient in a tonne of crop or manure */
  perTonne: { "kg/t": { factor: 1 }, "lb/ton": { factor: 0.5 } },
  /** per area of ground */
  yield: { "kg/m²": { factor: 1 }, "lb/ft²": { factor: KG_PER_POUND / METRES_PER_FOOT ** 2 } },
  /** of a fruit, of a weighed salt, for a plant */
  smallMass: { g: { factor: 1 }, oz: { factor: GRAMS_PER_OUNCE } },
  /** of a liquid that is measured out; US fluid ounces */
  smallVolume: { mL: { factor: 1 }, "fl oz": { factor: (1000 * LITRES_PER_GALLON) / 128 } },
  /** grains along a row */
  perRow: { "g/m": { factor: 1 }, "oz per 10 ft": { factor: GRAMS_PER_OUNCE / (10 * METRES_PER_FOOT) } },
  /** a product in water as plants get it, and in a concentrate */
  feedStrength: { "g/L": { factor: 1 }, "oz/100 gal": { factor: GRAMS_PER_OUNCE / LITRES_PER_GALLON / 100 } },
  strength: { "g/L": { factor: 1 }, "oz/gal": { factor: GRAMS_PER_OUNCE / LITRES_PER_GALLON } },
  /** grains mixed in a substrate */
  perSubstrate: { "g/L": { factor: 1 }, "lb/yd³": { factor: KG_PER_POUND / (3 * METRES_PER_FOOT) ** 3 } },
  waterPerMass: { "L/kg": { factor: 1 }, "gal/lb": { factor: LITRES_PER_GALLON / KG_PER_POUND } },
  mass: { kg: { factor: 1 }, lb: { factor: KG_PER_POUND } },
  radiation: { "MJ/m²": { factor: 1 }, ly: { factor: 0.04184 } },
  radiationFlux: {
    "MJ/m² in the hour": { factor: 1 },
    "W/m²": { factor: 0.0036 },
    "ly in the hour": { factor: 0.04184 },
  },
  wind: { "m/s": { factor: 1 }, "km/h": { factor: 1 / 3.6 }, mph: { factor: 0.44704 }, kn: { factor: 1852 / 3600 } },
  pressure: { kPa: { factor: 1 }, bar: { factor: 100 }, psi: { factor: 6.894757 } },
  conductivity: {
    "mS/cm": { factor: 1 },
    "dS/m": { factor: 1 },
    "µS/cm": { factor: 0.001 },
    "ppm (500)": { factor: 1 / 500 },
    "ppm (640)": { factor: 1 / 640 },
    "ppm (700)": { factor: 1 / 700 },
  },
} as const satisfies Record<string, Record<string, Unit>>;

export type Quantity = keyof typeof UNITS;
export type UnitOf<Q extends Quantity> = keyof (typeof UNITS)[Q] & string;
export type UnitSystem = "metric" | "us";

/** What growers in the United States read; a quantity that is left out is read in its canonical unit there too. */
const US_UNITS: { [Q in Quantity]?: UnitOf<Q> } = {
  temperature: "°F",
  temperatureSum: "°F·d",
  waterDepth: "in",
  depth: "in",
  rain: "in",
  volume: "gal",
  bulk: "gal",
  pricePerBulk: "per 1000 gal",
  pricePerMass: "per lb",
  dose: "mg/L",
  density: "per ft²",
  acidDose: "fl oz/1000 gal",
  flow: "gal/h",
  length: "ft",
  spacing: "in",
  area: "ft²",
  land: "acre",
  perLand: "lb/acre",
  bulkPerLand: "ton/acre",
  perTonne: "lb/ton",
  yield: "lb/ft²",
  smallMass: "oz",
  smallVolume: "fl oz",
  perRow: "oz per 10 ft",
  feedStrength: "oz/100 gal",
  strength: "oz/gal",
  perSubstrate: "lb/yd³",
  waterPerMass: "gal/lb",
  mass: "lb",
  wind: "mph",
  pressure: "psi",
};

function unit<Q extends Quantity>(quantity: Q, name: UnitOf<Q>): Unit {
  return (UNITS[quantity] as Record<string, Unit>)[name] ?? { factor: NaN };
}

/**
 * From a unit to the canonical one of its quantity.
 *
 * @example toCanonical("temperature", 41, "°F") // ≈ 5
 */
export function toCanonical<Q extends Quantity>(quantity: Q, value: number, from: UnitOf<Q>): number {
  const { factor, offset = 0 } = unit(quantity, from);
  return value * factor + offset;
}

/** From the canonical unit of a quantity to another. */
export function fromCanonical<Q extends Quantity>(quantity: Q, value: number, to: UnitOf<Q>): number {
  const { factor, offset = 0 } = unit(quantity, to);
  return (value - offset) / factor;
}

/** The unit in which a quantity is shown under a unit system. */
export function unitFor<Q extends Quantity>(quantity: Q, system: UnitSystem): UnitOf<Q> {
  const canonical = Object.keys(UNITS[quantity])[0] as UnitOf<Q>;
  return system === "us" ? ((US_UNITS[quantity] as UnitOf<Q> | undefined) ?? canonical) : canonical;
}
