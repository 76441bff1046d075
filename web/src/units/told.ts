import { fromCanonical, unitFor, type Quantity, type UnitSystem } from "@sprunel/core/units";
import { useCallback } from "react";
import { useDates, type Dates } from "./dates.tsx";
import { showDigits } from "./show.ts";
import { useUnitSystem } from "./use-units.tsx";

/** Units that sentences of the server and of the core are written in. A kPa is the air's, not a pump's, and is left as it is. */
const WRITTEN: Readonly<Record<string, Quantity>> = {
  "°C·d": "temperatureSum",
  "°C": "temperature",
  "L/m²": "waterDepth",
  "L/kg": "waterPerMass",
  "L/h": "flow",
  L: "volume",
  mm: "rain",
  cm: "depth",
  "m/s": "wind",
  "m²": "area",
  "m³": "bulk",
  m: "length",
  ha: "land",
  "kg/ha": "perLand",
  "kg/m²": "yield",
  "kg/t": "perTonne",
  kg: "mass",
  "t/ha": "bulkPerLand",
  "g/m": "perRow",
  g: "smallMass",
  "mL/m³": "acidDose",
  mL: "smallVolume",
};
const NUMBER = String.raw`-?\d+(?:[,\u202f]\d{3})*(?:\.\d+)?`;
const UNIT = Object.keys(WRITTEN)
  .sort((a, b) => b.length - a.length)
  .map((unit) => unit.replace("/", String.raw`\/`))
  .join("|");
const AMOUNT = new RegExp(
  String.raw`(?<![\w.,-])(?:(${NUMBER})( to | and | or |–))?(${NUMBER})[ \u00a0\u202f](${UNIT})(?![\w°·²³/%])( (?:warmer|colder|more|less|above|below|over|under|apart))?`,
  "gu",
);
/** No part of a name, as of a file. */
const DATE = /(?<![\w.-])\d{4}-\d{2}-\d{2}(?![\w-]|\.\w)/g;

/** A sentence that was made without knowing who reads it: its amounts in the reader's units, its dates as the site writes them. */
export function toldIn(text: string, system: UnitSystem, dates: Dates): string {
  const dated = text.replace(DATE, (date) => dates.show(date, "year"));
  if (system === "metric") return dated;
  return dated.replace(
    AMOUNT,
    (
      _all,
      low: string | undefined,
      between: string | undefined,
      high: string,
      unit: string,
      apart: string | undefined,
    ) => {
      const quantity = WRITTEN[unit] as Quantity;
      const shown = unitFor(quantity, system);
      const name: string = shown;
      const convert = (number: string): string => {
        const value = Number(number.replace(/[,\u202f]/g, ""));
        const own = fromCanonical(quantity, value, shown);
        // A difference of temperatures has no freezing point.
        return showDigits(apart ? own - fromCanonical(quantity, 0, shown) : own);
      };
      return `${low === undefined ? "" : `${convert(low)}${between ?? ""}`}${convert(high)} ${name}${apart ?? ""}`;
    },
  );
}

/** Sentences of the server, as their reader reads them. */
export function useTold(): (text: string) => string {
  const system = useUnitSystem();
  const dates = useDates();
  return useCallback((text) => toldIn(text, system, dates), [system, dates]);
}

export function Told({ children }: { children: string }) {
  return useTold()(children);
}
