import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readWeatherTable } from "../climate/weather-table.ts";
import { molarMassG } from "../chemistry/formula.ts";
import { readPickList } from "../harvest/pick-list.ts";
import { readWaterTable } from "../water/water-table.ts";

/** How one and the same table may be written. */
interface Way {
  readonly delimiter: ";" | "," | "\t" | "|";
  readonly decimal: "." | ",";
  readonly encoding: "utf-8" | "utf-8-bom" | "utf-16le" | "windows-1252";
  readonly lineEnd: "\n" | "\r\n";
  readonly words: Readonly<Record<string, string>>;
  readonly temperature: "°C" | "°F" | "K";
  readonly light: "W/m²" | "J/cm²" | "kJ/m²" | "MJ/m2";
  readonly speed: "m/s" | "km/h" | "mph" | "kn";
  readonly unitsIn: "brackets" | "row" | "comma";
  readonly date: "iso" | "dmy." | "mdy/" | "month" | "serial" | "unix";
  readonly above: readonly string[];
  readonly below: readonly string[];
  readonly shuffle: number;
}

const LANGUAGES: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  en: {
    time: "Date and time",
    air: "Air temperature",
    rh: "Relative humidity",
    wind: "Wind speed",
    sun: "Solar radiation",
    rain: "Rainfall",
  },
  de: {
    time: "Datum",
    air: "Lufttemperatur",
    rh: "rel. Feuchte",
    wind: "Windgeschwindigkeit",
    sun: "Globalstrahlung",
    rain: "Niederschlag",
  },
  fr: {
    time: "Date",
    air: "Température air",
    rh: "Humidité relative",
    wind: "Vitesse du vent",
    sun: "Rayonnement global",
    rain: "Pluie",
  },
  es: {
    time: "Fecha",
    air: "Temperatura",
    rh: "Humedad relativa",
    wind: "Velocidad del viento",
    sun: "Radiación solar",
    rain: "Lluvia",
  },
  it: {
    time: "Data",
    air: "Temperatura aria",
    rh: "Umidità",
    wind: "Velocità vento",
    sun: "Radiazione solare",
    rain: "Pioggia",
  },
  pt: {
    time: "Data",
    air: "Temperatura do ar",
    rh: "Umidade",
    wind: "Velocidade do vento",
    sun: "Radiação global",
    rain: "Chuva",
  },
  nl: {
    time: "Datum",
    air: "Temperatuur",
    rh: "Luchtvochtigheid",
    wind: "Windsnelheid",
    sun: "Straling",
    rain: "Neerslag",
  },
};

const way: fc.Arbitrary<Way> = fc.record({
  delimiter: fc.constantFrom(";", ",", "\t", "|"),
  decimal: fc.constantFrom(".", ","),
  encoding: fc.constantFrom("utf-8", "utf-8-bom", "utf-16le", "windows-1252"),
  lineEnd: fc.constantFrom("\n", "\r\n"),
  words: fc.constantFrom(...Object.values(LANGUAGES)),
  temperature: fc.constantFrom("°C", "°F", "K"),
  light: fc.constantFrom("W/m²", "J/cm²", "kJ/m²", "MJ/m2"),
  speed: fc.constantFrom("m/s", "km/h", "mph", "kn"),
  unitsIn: fc.constantFrom("brackets", "row", "comma"),
  date: fc.constantFrom("iso", "dmy.", "mdy/", "month", "serial", "unix"),
  above: fc.subarray(["Station 4", "", "Exported by the logger", "Serial: A-1734"]),
  below: fc.subarray(["", "# end of file", "checked by M."]),
  shuffle: fc.integer({ min: 0, max: 5 }),
});

interface Hour {
  readonly air: number;
  readonly rh: number;
  readonly wind: number;
  readonly sun: number;
  readonly rain: number;
}
const hours = fc.array(
  fc.record({
    air: fc.integer({ min: -50, max: 400 }).map((tenths) => tenths / 10),
    rh: fc.integer({ min: 5, max: 100 }),
    wind: fc.integer({ min: 0, max: 200 }).map((tenths) => tenths / 10),
    sun: fc.integer({ min: 0, max: 1000 }),
    rain: fc.integer({ min: 0, max: 99 }).map((tenths) => tenths / 10),
  }),
  { minLength: 26, maxLength: 60 },
);

const FIRST_MS = Date.UTC(2026, 4, 28, 0);
const MONTHS = "Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec".split(" ");

function dateText(atMs: number, form: Way["date"], decimal: string): string {
  const at = new Date(atMs);
  const pad = (value: number): string => String(value).padStart(2, "0");
  const [year, month, day, hour] = [at.getUTCFullYear(), at.getUTCMonth() + 1, at.getUTCDate(), at.getUTCHours()];
  switch (form) {
    case "iso":
      return `${year}-${pad(month)}-${pad(day)} ${pad(hour)}:00`;
    case "dmy.":
      return `${pad(day)}.${pad(month)}.${year} ${pad(hour)}:00`;
    case "mdy/":
      return `${month}/${day}/${year} ${hour % 12 || 12}:00 ${hour < 12 ? "AM" : "PM"}`;
    case "month":
      return `${day} ${MONTHS[month - 1] ?? ""} ${year} ${pad(hour)}:00`;
    case "serial":
      return ((atMs - Date.UTC(1899, 11, 30)) / 86_400_000).toFixed(6).replace(".", decimal);
    case "unix":
      return String(atMs / 1000);
  }
}

const TEMPERATURE = { "°C": (c: number) => c, "°F": (c: number) => c * 1.8 + 32, K: (c: number) => c + 273.15 };
const LIGHT = { "W/m²": 1, "J/cm²": 0.36, "kJ/m²": 3.6, "MJ/m2": 0.0036 };
const SPEED = { "m/s": 1, "km/h": 3.6, mph: 1 / 0.44704, kn: 3600 / 1852 };

function written(values: readonly Hour[], how: Way): string {
  const number = (value: number, digits = 6): string => String(Number(value.toFixed(digits))).replace(".", how.decimal);
  const columns = [
    ["air", how.temperature, (hour: Hour) => number(TEMPERATURE[how.temperature](hour.air))],
    ["rh", "%", (hour: Hour) => number(hour.rh)],
    ["wind", how.speed, (hour: Hour) => number(hour.wind * SPEED[how.speed])],
    ["sun", how.light, (hour: Hour) => number(hour.sun * LIGHT[how.light])],
    ["rain", "mm", (hour: Hour) => number(hour.rain)],
  ] as const;
  const turned = [...columns.slice(how.shuffle), ...columns.slice(0, how.shuffle)];
  const quoted = (cell: string): string => (cell.includes(how.delimiter) ? `"${cell}"` : cell);
  const line = (cells: readonly string[]): string => cells.map(quoted).join(how.delimiter);
  const head = turned.map(([key, unit]) => {
    const name = how.words[key] ?? "";
    return how.unitsIn === "brackets" ? `${name} [${unit}]` : how.unitsIn === "comma" ? `${name}, ${unit}` : name;
  });
  return [
    ...how.above,
    line([how.words["time"] ?? "", ...head]),
    ...(how.unitsIn === "row" ? [line(["", ...turned.map(([, unit]) => unit)])] : []),
    ...values.map((hour, at) =>
      line([dateText(FIRST_MS + at * 3_600_000, how.date, how.decimal), ...turned.map(([, , show]) => show(hour))]),
    ),
    ...how.below,
    "",
  ].join(how.lineEnd);
}

function encoded(text: string, encoding: Way["encoding"]): Uint8Array {
  const codes = Array.from(text, (letter) => letter.charCodeAt(0));
  switch (encoding) {
    case "utf-8":
      return new TextEncoder().encode(text);
    case "utf-8-bom":
      return new Uint8Array([0xef, 0xbb, 0xbf, ...new TextEncoder().encode(text)]);
    case "utf-16le":
      return new Uint8Array([0xff, 0xfe, ...codes.flatMap((code) => [code & 255, code >> 8])]);
    case "windows-1252":
      return new Uint8Array(codes.map((code) => code & 255));
  }
}

const near = (value: number) => expect.closeTo(value, 3) as number;

/** Thousands of files, on a machine that does other things beside. */
const LONG_MS = 240_000;

describe("a table of known values, however it is written", () => {
  it(
    "is read back to the same hours, or asks: it is never wrong in silence",
    () => {
      fc.assert(
        fc.property(hours, way, (values, how) => {
          const table = readWeatherTable(encoded(written(values, how), how.encoding), {
            siteTimeZone: "UTC",
            stampMarks: "start",
          });
          expect(table.columns.map(({ unknownUnit }) => unknownUnit)).toEqual(table.columns.map(() => null));
          expect(table.dialect.dateOrderAssumed).toBe(false);
          expect(table.rejected).toEqual([]);
          expect(table.rows.map(({ stampMs }) => stampMs)).toEqual(values.map((_, at) => FIRST_MS + at * 3_600_000));
          expect(table.rows.map((row) => row.values)).toEqual(
            values.map(({ air, rh, wind, sun, rain }) => ({
              airTemperature: near(air),
              humidity: near(rh),
              wind: near(wind),
              radiation: near(sun * 0.0036),
              rain: near(rain),
            })),
          );
        }),
        { numRuns: 2000 },
      );
    },
    LONG_MS,
  );

  it(
    "of picks in any mass comes out in kilograms",
    () => {
      const MASS = { kg: 1, lb: 0.45359237, g: 0.001, t: 1000 };
      const mass = fc.integer({ min: 1, max: 99_999 }).map((tenths) => tenths / 10);
      fc.assert(
        fc.property(
          fc.array(mass, { minLength: 3, maxLength: 12 }),
          fc.constantFrom<keyof typeof MASS>("kg", "lb", "g", "t"),
          fc.constantFrom(".", ","),
          fc.constantFrom(
            ["Date", "House", "Weight"],
            ["Datum", "Haus", "Menge"],
            ["Fecha", "Sector", "Peso"],
            ["Date", "Serre", "Poids"],
          ),
          (masses, unit, decimal, [day = "", house = "", weight = ""]) => {
            const text = [
              `${day};${house};${weight} (${unit})`,
              ...masses.map(
                (kg, at) =>
                  `2026-06-${String(at + 1).padStart(2, "0")};House 1;${String(Number((kg / MASS[unit]).toPrecision(12))).replace(".", decimal)}`,
              ),
            ].join("\n");
            const { rows, rejected } = readPickList(new TextEncoder().encode(text), {
              zones: ["House 1"],
              timeZone: "UTC",
            });
            expect(rejected).toEqual([]);
            for (const [at, { values }] of rows.entries())
              expect((values.massKg ?? NaN) / (masses[at] ?? NaN)).toBeCloseTo(1, 6);
          },
        ),
        { numRuns: 400 },
      );
    },
    LONG_MS,
  );

  it(
    "of a laboratory lies down, across or long, in milligrams, moles or equivalents, and comes out in mmol/L",
    () => {
      const IONS = ["Ca", "Mg", "Na", "K", "Cl", "SO4", "NO3", "HCO3"] as const;
      const CHARGES = { Ca: 2, Mg: 2, Na: 1, K: 1, Cl: 1, SO4: 2, NO3: 1, HCO3: 1 };
      const NAMES = [
        [
          "Calcium",
          "Magnesium",
          "Sodium",
          "Potassium",
          "Chloride",
          "Sulphate",
          "Nitrate",
          "Bicarbonate",
          "Sample",
          "Date",
          "Parameter",
          "Result",
          "Unit",
        ],
        [
          "Calcium",
          "Magnesium",
          "Natrium",
          "Kalium",
          "Chlorid",
          "Sulfat",
          "Nitrat",
          "Hydrogencarbonat",
          "Probe",
          "Datum",
          "Parameter",
          "Messwert",
          "Einheit",
        ],
        [
          "Calcio",
          "Magnesio",
          "Sodio",
          "Potasio",
          "Cloruro",
          "Sulfato",
          "Nitrato",
          "Bicarbonato",
          "Muestra",
          "Fecha",
          "Parámetro",
          "Valor",
          "Unidad",
        ],
        [
          "Calcium",
          "Magnésium",
          "Sodium",
          "Potassium",
          "Chlorures",
          "Sulfates",
          "Nitrates",
          "Bicarbonates",
          "Échantillon",
          "Date",
          "Paramètre",
          "Résultat",
          "Unité",
        ],
        ["Ca2+", "Mg2+", "Na+", "K+", "Cl-", "SO4 2-", "NO3-", "HCO3-", "sample", "taken", "analyte", "value", "unit"],
      ] as const;
      const amounts = fc.array(
        fc.integer({ min: 1, max: 9999 }).map((hundredths) => hundredths / 1000),
        { minLength: 8, maxLength: 8 },
      );
      fc.assert(
        fc.property(
          fc.array(amounts, { minLength: 2, maxLength: 3 }),
          fc.constantFrom("down", "across", "long"),
          fc.constantFrom("mg/L", "mmol/L", "meq/L", "g/m3"),
          fc.constantFrom(...NAMES),
          fc.constantFrom(".", ","),
          (samples, lies, unit, names, decimal) => {
            const shown = (amount: number, at: number): string => {
              const ion = IONS[at] ?? "Ca";
              const of = unit === "mmol/L" ? 1 : unit === "meq/L" ? CHARGES[ion] : molarMassG(ion);
              return String(Number((amount * of).toPrecision(10))).replace(".", decimal);
            };
            const rows = samples.map((sample, at) => [
              `Well ${"ABC"[at] ?? ""}`,
              `2026-03-${String(12 + at)}`,
              ...sample.map(shown),
            ]);
            const heads = [names[8], names[9], ...IONS.map((_, at) => `${names[at] ?? ""} (${unit})`)];
            const lines =
              lies === "down"
                ? [heads, ...rows]
                : lies === "across"
                  ? heads.map((head, at) => [head, ...rows.map((row) => row[at] ?? "")])
                  : [
                      [names[8], names[9], names[10], names[11], names[12]],
                      ...rows.flatMap((row) =>
                        IONS.map((_, at) => [row[0] ?? "", row[1] ?? "", names[at] ?? "", row[at + 2] ?? "", unit]),
                      ),
                    ];
            const table = readWaterTable(new TextEncoder().encode(lines.map((cells) => cells.join(";")).join("\n")));
            expect(table.samples.map(({ source, takenOn }) => [source, takenOn])).toEqual(
              rows.map((row) => row.slice(0, 2)),
            );
            // "2,261" alone is asked about.
            if (table.decimalAssumed) return;
            for (const [at, { ions }] of table.samples.entries())
              for (const [place, ion] of IONS.entries())
                expect((ions[ion] ?? NaN) / (samples[at]?.[place] ?? NaN), `${lies} ${ion} ${unit}`).toBeCloseTo(1, 5);
          },
        ),
        { numRuns: 600 },
      );
    },
    LONG_MS,
  );
});
