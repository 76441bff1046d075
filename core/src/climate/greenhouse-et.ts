import { fill, type Worksheet } from "../working/working.ts";
import { dailyCombination, outsideRadiation } from "./penman-monteith-daily.ts";
import type { EtMethod } from "./reference-et.ts";
import type { ReferenceEtInput } from "./reference-et-input.ts";
import { dayOfYear } from "./solar-geometry.ts";

/** A constant aerodynamic resistance of 295 s/m equals 208/u₂ at this wind. Fernández et al. (2010). */
const HOUSE_WIND_MS = 208 / 295;

function insideRadiation({ transmissionPct }: ReferenceEtInput, rsMjM2: number, sheet: Worksheet): number {
  if (transmissionPct === undefined) throw new Error("the cover is checked before");
  return sheet.note(
    "Solar radiation inside",
    "Rs,in = τ · Rs",
    fill`${transmissionPct / 100} × ${rsMjM2}`,
    (transmissionPct / 100) * rsMjM2,
    "MJ/m²",
    "light through the cover, as entered for the house",
  );
}

/**
 * Radiation form for unheated plastic houses.
 *
 * Fitted in south-east Spain; elsewhere it is an extrapolation and the answer's warnings say so.
 *
 * @see Fernández, Bonachela, Orgaz et al. (2010), Irrigation Science 28:497–509
 */
export const greenhouseRadiation: EtMethod = (input, sheet) => {
  const sun = outsideRadiation(input, sheet);
  const inside = insideRadiation(input, sun.rsMjM2, sheet);
  const south = input.latitudeDeg < 0;
  const day = ((dayOfYear(input.date) - 1 + (south ? 182 : 0)) % 365) + 1;
  const rising = day <= 220;
  const factor = sheet.note(
    "Seasonal factor",
    rising ? "0.288 + 0.0019 · J, to day 220" : "1.339 − 0.00288 · J, after day 220",
    rising ? fill`0.288 + 0.0019 × ${day}` : fill`1.339 − 0.00288 × ${day}`,
    rising ? 0.288 + 0.0019 * day : 1.339 - 0.00288 * day,
    "",
    `Fernández et al. (2010)${south ? "; day shifted by 182 in the south" : ""}`,
  );
  if (Math.abs(Math.abs(input.latitudeDeg) - 36.8) > 2)
    sheet.warn("The radiation form was found for unheated plastic houses at 36.8° N; here it is an extrapolation.");
  const valueMm = sheet.note(
    "Reference evapotranspiration inside",
    "ET₀ = factor · Rs,in ÷ 2.45",
    fill`${factor} × ${inside} ÷ 2.45`,
    (factor * inside) / 2.45,
    "mm/day",
    "Fernández et al. (2010); 2.45 MJ evaporate 1 kg of water",
  );
  return { valueMm, parts: { raMjM2: sun.raMjM2, rsMjM2: inside, daylightH: sun.daylightH } };
};

/**
 * Penman–Monteith inside a house: light through the cover, still air, the sky's cloud from outside.
 *
 * Temperatures and humidities are those inside, radiation that outside.
 *
 * @see Fernández et al. (2010) for the fixed aerodynamic resistance of 295 s/m
 */
export const greenhousePenmanMonteith: EtMethod = (input, sheet) => {
  if (input.weather.windMs !== undefined)
    sheet.warn("Wind is not used under cover: the aerodynamic resistance is fixed at 295 s/m.");
  const sun = outsideRadiation(input, sheet);
  const inside = insideRadiation(input, sun.rsMjM2, sheet);
  const windMs = sheet.note(
    "Wind that equals the still air",
    "u₂ = 208 / 295 s/m",
    "208 ÷ 295",
    HOUSE_WIND_MS,
    "m/s",
    "Fernández et al. (2010)",
  );
  const { valueMm, rnMjM2, vpdKpa } = dailyCombination(input, sheet, sun, inside, windMs);
  return { valueMm, parts: { raMjM2: sun.raMjM2, rsMjM2: inside, rnMjM2, vpdKpa, daylightH: sun.daylightH } };
};
