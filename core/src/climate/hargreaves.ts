import { fill } from "../working/working.ts";
import type { EtMethod } from "./reference-et.ts";
import { dailyExtraterrestrialMjM2, dayOfYear, daylightHours } from "./solar-geometry.ts";

/** Hargreaves & Samani, when only temperatures exist; outdoors only. FAO-56, eq. 52. */
export const hargreavesDaily: EtMethod = ({ latitudeDeg, date, weather }, sheet) => {
  const { tMaxC, tMinC } = weather;
  if (tMaxC === undefined || tMinC === undefined) throw new Error("temperatures are checked before");
  const day = dayOfYear(date);
  const raMjM2 = sheet.note(
    "Radiation above the air",
    "Ra = 24·60/π · 0.0820 · dr · (ωs·sin φ·sin δ + cos φ·cos δ·sin ωs)",
    fill`φ = ${latitudeDeg}°, day ${day} of the year`,
    dailyExtraterrestrialMjM2(latitudeDeg, day),
    "MJ/m²",
    "FAO-56, eq. 21",
  );
  const mean = (tMaxC + tMinC) / 2;
  sheet.warn(
    "Hargreaves holds outdoors only, best over ten days or more; use Penman–Monteith when radiation, humidity and wind are at hand.",
  );
  const valueMm = 0.0023 * (mean + 17.8) * Math.sqrt(tMaxC - tMinC) * 0.408 * raMjM2;
  sheet.note(
    "Reference evapotranspiration",
    "ET₀ = 0.0023 · (T + 17.8) · √(Tmax − Tmin) · 0.408 · Ra",
    fill`0.0023 × (${mean} + 17.8) × √(${tMaxC} − ${tMinC}) × 0.408 × ${raMjM2}`,
    Math.max(0, valueMm),
    "mm/day",
    "FAO-56, eq. 52; Hargreaves & Samani (1985)",
  );
  return { valueMm, parts: { raMjM2, daylightH: daylightHours(latitudeDeg, day) } };
};
