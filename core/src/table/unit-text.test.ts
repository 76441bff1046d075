import { describe, expect, it } from "vitest";
import { conversionOf, type Quantity } from "./quantity.ts";
import { unitsIn } from "./unit-text.ts";

/** What one of each is in the first, by hand: definitions of the SI, NIST Handbook 44, Annex C of ISO 80000-1. */
const KINDS: readonly [what: string, quantity: Quantity, written: readonly (readonly [text: string, one: number])[]][] =
  [
    [
      "temperature",
      { units: ["°C"] },
      [
        ["°C", 1],
        ["C", 1],
        ["deg C", 1],
        ["degC", 1],
        ["℃", 1],
        ["ºC", 1],
        ["Celsius", 1],
        ["Grad C", 1],
      ],
    ],
    [
      "light of an hour",
      { units: ["MJ/m²"], alike: { "W/m²": 0.0036 } },
      [
        ...(["MJ/m²", "MJ/m2", "MJ m-2", "MJ·m⁻²", "mj/m2", "MJ/m^2"] as const).map((text) => [text, 1] as const),
        ...(["kJ/m²", "kJ m-2", "kj/m2"] as const).map((text) => [text, 0.001] as const),
        ...(["J/cm²", "J/cm2", "J cm-2"] as const).map((text) => [text, 0.01] as const),
        ...(["W/m²", "W/m2", "w/m2", "W m-2", "W·m⁻²", "Watt/m2"] as const)
          .slice(0, 5)
          .map((text) => [text, 0.0036] as const),
        ["MJ/m²/h", 1],
        ["MJ m-2 h-1", 1],
        ...(["Wm2", "wm2", "Wm-2"] as const).map((text) => [text, 0.0036] as const),
        ...(["MJm2", "MJm-2", "MJm2 h", "MJm-2h-1"] as const).map((text) => [text, 1] as const),
        ["kJm2", 0.001],
        ["jcm2", 0.01],
        ["Wh/m2", 0.0036],
        ["kWh/m²", 3.6],
        ["ly", 0.04184],
        ["langleys", 0.04184],
        ["cal/cm2", 0.04184],
      ],
    ],
    [
      "wind",
      { units: ["m/s"] },
      [
        ...(["m/s", "m s-1", "ms-1", "m·s⁻¹", "m/sec", "mps"] as const).map((text) => [text, 1] as const),
        ...(["km/h", "kph", "km h-1", "km/hr", "KM/H"] as const).map((text) => [text, 1 / 3.6] as const),
        ["mph", 0.44704],
        ["mi/h", 0.44704],
        ["kn", 1852 / 3600],
        ["knots", 1852 / 3600],
      ],
    ],
    [
      "depth of water",
      { units: ["mm"] },
      [
        ["mm", 1],
        ["L/m2", 1],
        ["l/m²", 1],
        ["in", 25.4],
        ["inches", 25.4],
        ['"', 25.4],
        ["cm", 10],
        ["m", 1000],
        ["ft", 304.8],
      ],
    ],
    [
      "pressure",
      { units: ["kPa"] },
      [
        ...(["kPa", "KPA", "cb", "cbar", "centibars"] as const).map((text) => [text, 1] as const),
        ["hPa", 0.1],
        ["mbar", 0.1],
        ["bar", 100],
        ["psi", 6.894757293],
        ["inHg", 3.386389],
        ["in Hg", 3.386389],
        ["mmHg", 0.1333223874],
        ["atm", 101.325],
        ["MPa", 1000],
      ],
    ],
    [
      "conductivity",
      { units: ["mS/cm"] },
      [
        ...(
          [
            "mS/cm",
            "ms/cm",
            "MS/CM",
            "mS cm-1",
            "dS/m",
            "dS m-1",
            "ds/m",
            "mmho/cm",
            "mmhos/cm",
            "mS/cm 25°C",
            "mS/cm @ 25 °C",
            "mS/cm at 25",
          ] as const
        ).map((text) => [text, 1] as const),
        ...(["µS/cm", "uS/cm", "μS/cm", "us/cm", "µS cm-1", "micromho/cm", "µmhos/cm"] as const).map(
          (text) => [text, 0.001] as const,
        ),
        ["mScm", 1],
        ["uScm", 0.001],
        ["dSm-1", 1],
        ["mS/m", 0.01],
        ["S/m", 10],
      ],
    ],
    [
      "mass in a volume",
      { units: ["mg/L"] },
      [
        ...(
          [
            "mg/L",
            "mg/l",
            "MG/L",
            "mg l-1",
            "mg·L⁻¹",
            "mg.L-1",
            "mg/dm³",
            "mg dm-3",
            "g/m³",
            "g/m3",
            "mg/L CaCO3",
            "mg CaCO3/L",
            "mg/l als CaCO3",
            "mg N/L",
            "mg/l N",
            "mg/L NO3-N",
            "mg/litre",
            "mgl",
            "mgL-1",
          ] as const
        ).map((text) => [text, 1] as const),
        ["µg/L", 0.001],
        ["ug/l", 0.001],
        ["g/L", 1000],
        ["kg/m3", 1000],
        ["kg/hl", 10_000],
        ["oz/gal", 7489.1517],
        ["lb/gal", 119_826.427],
      ],
    ],
    [
      "amount in a volume",
      { units: ["mmol/L"] },
      [
        ["mmol/L", 1],
        ["mmol/l", 1],
        ["mmol L-1", 1],
        ["mol/m3", 1],
        ["µmol/L", 0.001],
        ["umol/l", 0.001],
        ["MMOL/L", 1],
        ["mol/L", 1000],
      ],
    ],
    [
      "charge in a volume",
      { units: ["meq/L"] },
      [
        ["meq/L", 1],
        ["me/L", 1],
        ["mval/l", 1],
        ["meq l-1", 1],
        ["eq/m3", 1],
        ["°dH", 0.35665],
        ["dH", 0.35665],
        ["°fH", 0.199828],
        ["°f", 0.199828],
      ],
    ],
    [
      "share by mass",
      { units: ["mg/kg"] },
      [
        ...(["mg/kg", "mg kg-1", "ppm", "µg/g", "g/t", "mg/kg TM", "mg/kg DM"] as const).map(
          (text) => [text, 1] as const,
        ),
        ["mg/100 g", 10],
        ["mg/100g", 10],
        ["mg/100g TS", 10],
        ["mg P2O5/100g", 10],
        ["g/kg", 1000],
        ["g/kg dm", 1000],
        ["%", 10_000],
        ["% w/w", 10_000],
        ["% TS", 10_000],
        ["‰", 1000],
        ["ppb", 0.001],
        ["g/100 g", 10_000],
        ["kg/t", 1000],
      ],
    ],
    [
      "charge in soil",
      { units: ["cmol(+)/kg"] },
      [
        ["cmol(+)/kg", 1],
        ["cmolc/kg", 1],
        ["cmol(c)/kg", 1],
        ["meq/100 g", 1],
        ["meq/100g", 1],
        ["mmolc/kg", 0.1],
      ],
    ],
    [
      "mass on land",
      { units: ["kg/ha"] },
      [
        ["kg/ha", 1],
        ["kg ha-1", 1],
        ["kg P2O5/ha", 1],
        ["kg N/ha", 1],
        ["kg/hectare", 1],
        ["lb/acre", 1.12085],
        ["lbs/ac", 1.12085],
        ["lb/A", 1.12085],
        ["lbs/a", 1.12085],
        ["lb P2O5/A", 1.12085],
        ["kg/a", 100],
        ["t/ha", 1000],
        ["dt/ha", 100],
        ["q/ha", 100],
        ["g/m2", 10],
        ["kg/m²", 10_000],
        ["tons/acre", 2241.7],
      ],
    ],
    [
      "mass",
      { units: ["kg"] },
      [
        ["kg", 1],
        ["KG", 1],
        ["kilos", 1],
        ["g", 0.001],
        ["gr", 0.001],
        ["lb", 0.45359237],
        ["lbs", 0.45359237],
        ["pounds", 0.45359237],
        ["oz", 0.028349523],
        ["t", 1000],
        ["tonnes", 1000],
        ["cwt", 45.359237],
        ["dt", 100],
        ["short ton", 907.18474],
      ],
    ],
    [
      "volume",
      { units: ["L"] },
      [
        ["L", 1],
        ["l", 1],
        ["Ltr", 1],
        ["litres", 1],
        ["Liter", 1],
        ["mL", 0.001],
        ["ml", 0.001],
        ["ML", 0.001],
        ["cc", 0.001],
        ["cm3", 0.001],
        ["dm³", 1],
        ["m³", 1000],
        ["m3", 1000],
        ["hL", 100],
        ["gal", 3.785411784],
        ["US gal", 3.785411784],
        ["imp gal", 4.54609],
        ["fl oz", 0.0295735296],
        ["qt", 0.946352946],
        ["pt", 0.473176473],
      ],
    ],
    [
      "flow",
      { units: ["L/h"] },
      [
        ["L/h", 1],
        ["l/hr", 1],
        ["L h-1", 1],
        ["L/min", 60],
        ["m3/h", 1000],
        ["gal/h", 3.785411784],
        ["gal/min", 227.12470704],
      ],
    ],
    [
      "photons",
      { units: ["µmol/m²/s"] },
      [
        ["µmol/m²/s", 1],
        ["umol m-2 s-1", 1],
        ["µmol·m⁻²·s⁻¹", 1],
        ["mol/m2/d", 11.574074],
      ],
    ],
  ];

describe.each(KINDS)("%s", (_what, quantity, written) => {
  it.each(written)("written %j is %d", (text, one) => {
    const conversion = conversionOf(quantity, text);
    expect(conversion, text).not.toBeNull();
    expect((conversion?.factor ?? NaN) / one).toBeCloseTo(1, 4);
  });
});

describe("a text as a unit", () => {
  it("turns a scale of temperature with its zero", () => {
    const inC = (text: string, shown: number) => {
      const { factor = NaN, offset = NaN } = conversionOf({ units: ["°C"] }, text) ?? {};
      return shown * factor + offset;
    };
    expect(inC("°F", 212)).toBeCloseTo(100, 9);
    expect(inC("F", 32)).toBeCloseTo(0, 9);
    expect(inC("K", 273.15)).toBeCloseTo(0, 9);
  });

  it("is chosen by what is measured where it could mean two things", () => {
    expect(conversionOf({ units: ["meq/L"] }, "°f")?.factor).toBeCloseTo(0.1998, 3);
    expect(conversionOf({ units: ["°C"] }, "°F")?.factor).toBeCloseTo(5 / 9, 9);
  });

  it.each([
    ["mg P2O5/100 g", "P2O5"],
    ["mg/L as CaCO3", "CaCO3"],
    ["kg K2O/ha", "K2O"],
    ["mg/l NO3-N", "N"],
    ["ppm N", "N"],
  ])("%j says in what it is counted", (text, basis) => {
    expect(unitsIn(text).some((one) => one.basis === basis)).toBe(true);
  });

  it.each(["", "furlongs", "foo/bar", "Week 12", "11 mg/100g", "7 kPa", "12", "kPa/100", "USD/kg", "Courgette tunnel"])(
    "%j is none",
    (text) => {
      expect(unitsIn(text)).toEqual([]);
    },
  );

  it("of another quantity is no unit of this one", () => {
    expect(conversionOf({ units: ["°C"] }, "mm")).toBeNull();
    expect(conversionOf({ units: ["mg/L"] }, "mmol/L")).toBeNull();
  });
});
