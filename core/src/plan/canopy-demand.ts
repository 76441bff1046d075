import { canopyTranspirationMm, MOST_LEAF_AREA, MOST_VPD_KPA } from "../climate/canopy-transpiration.ts";
import { wetSurfaceMm } from "../climate/wet-surface.ts";
import { bigLeafMm, noteBigLeaf } from "../demand/canopy-methods.ts";
import { fill, type Worksheet } from "../working/working.ts";
import { hourOrigins, type WorkingInput } from "../working/origin.ts";
import { library, type CoreDemand, type DemandInput } from "./demand-input.ts";

/** Light and dry air on the crop's own canopy, and what open pots lose beside it. */
export function canopyDemand(
  { hours, air, crop, cropState, place, openShare = 0 }: DemandInput,
  share: number,
  sheet: Worksheet,
  inputs: WorkingInput[],
): CoreDemand | null {
  const airByHour = new Map(air.map((hour) => [hour.startMs, hour]));
  const known = hours.map((hour) => ({
    startMs: hour.startMs,
    solar: (hour.values.radiation?.value ?? 0) * share,
    air: airByHour.get(hour.startMs),
  }));
  if (known.some((hour) => !hour.air)) return null;
  const leafAreaIndex = cropState.leafAreaIndex;
  const canopy = crop.canopy;
  const at = (solarInsideMjM2: number, vpdKpa: number): number =>
    canopyTranspirationMm({ solarInsideMjM2, vpdKpa, leafAreaIndex }, canopy);
  const bareShare = openShare * Math.max(0, 1 - leafAreaIndex / FULL_SHADE);
  const fromPots = known.map(({ solar, air: inside }) =>
    bareShare > 0 ? bareShare * wetSurfaceMm(solar, inside?.airTemperatureC ?? 0, place.elevationM) : 0,
  );
  const potsMm = fromPots.reduce((sum, mm) => sum + mm, 0);
  const hourlyMm = known.map(({ startMs, solar, air: inside }, hour) => ({
    startMs,
    mm: at(solar, inside?.vpdKpa ?? 0) + (fromPots[hour] ?? 0),
  }));
  const fromLight = known.reduce((sum, { solar }) => sum + at(solar, 0), 0);
  const total = hourlyMm.reduce((sum, { mm }) => sum + mm, 0);
  const byDay = total - fromLight - potsMm;
  const night = known.reduce((sum, { solar, air: inside }) => sum + (solar > 0 ? 0 : at(0, inside?.vpdKpa ?? 0)), 0);
  const dryness = (byDay: boolean): number =>
    known.reduce(
      (sum, { solar, air: inside }) => sum + (solar > 0 === byDay ? Math.min(inside?.vpdKpa ?? 0, MOST_VPD_KPA) : 0),
      0,
    );
  const leaves = Math.min(leafAreaIndex, MOST_LEAF_AREA);
  const inside = known.reduce((sum, { solar }) => sum + solar, 0);
  const meanVpd = known.reduce((sum, hour) => sum + (hour.air?.vpdKpa ?? 0), 0) / known.length;
  inputs.push(
    {
      name: "Vapour pressure deficit inside, mean",
      value: meanVpd,
      unit: "kPa",
      origins: hourOrigins(known.map((hour) => hour.air?.origin ?? "outside")),
    },
    { name: "Leaf area index", value: leafAreaIndex, unit: "", origins: [library(crop.sources.leafArea)] },
    {
      name: "A, share of light that evaporates",
      value: canopy.radiationShare,
      unit: "",
      origins: [library(crop.sources.canopy)],
    },
    {
      name: "B by day and night",
      value: canopy.vpdDay,
      unit: `and ${canopy.vpdNight} W·m⁻²·kPa⁻¹`,
      origins: [library(crop.sources.canopy)],
    },
  );
  const source = "Baille, Baille & Laury (1994), the form";
  sheet.note(
    "Water by light",
    "Σ A · (1 − e^(−k·LAI)) · Rs,in ÷ 2.45",
    fill`${canopy.radiationShare} × (1 − e^(−${canopy.extinction} × ${leafAreaIndex})) × ${inside} MJ/m² ÷ 2.45`,
    fromLight,
    "L/m²",
    source,
  );
  sheet.note(
    "Water by dry air, day",
    "B · LAI · ΣVPD · 0.0036 ÷ 2.45, LAI to 3, each hour's VPD to 2.5 kPa",
    fill`${canopy.vpdDay} × ${leaves} × ${dryness(true)} kPa·h × 0.0036 ÷ 2.45`,
    byDay - night,
    "L/m²",
    source,
  );
  sheet.note(
    "Water by dry air, night",
    "the same with B of the night",
    fill`${canopy.vpdNight} × ${leaves} × ${dryness(false)} kPa·h × 0.0036 ÷ 2.45`,
    night,
    "L/m²",
    source,
  );
  if (potsMm > 0) {
    sheet.note(
      "Water from open pots",
      "open share · (1 − LAI) · Σ 1.26 · Δ / (Δ + γ) · 0.85 · Rs,in ÷ 2.45",
      fill`${openShare} × ${Math.max(0, 1 - leafAreaIndex / FULL_SHADE)} × ${potsMm / bareShare}`,
      potsMm,
      "L/m²",
      "Priestley & Taylor (1972), under leaves that do not close yet; light taken up 85 %, assumed",
    );
    inputs.push({
      name: "Open share of the ground",
      value: openShare * 100,
      unit: "%",
      origins: [{ kind: "computed" }],
    });
  }
  sheet.note(
    "Demand",
    potsMm > 0 ? "light + air by day + air by night + pots" : "light + air by day + air by night",
    potsMm > 0
      ? fill`${fromLight} + ${byDay - night} + ${night} + ${potsMm}`
      : fill`${fromLight} + ${byDay - night} + ${night}`,
    total,
    "L/m²",
    source,
  );
  return { demandMm: total, hourlyMm };
}

/** Leaf area at which the pots under it are shaded and counted with their plants, m²/m². Assumed. */
const FULL_SHADE = 1;

/** Penman–Monteith over all leaves, with stomata that answer light, warmth, dryness and CO₂. */
export function bigLeafDemand(
  { hours, air, crop, cropState: { leafAreaIndex }, place }: DemandInput,
  share: number,
  sheet: Worksheet,
  inputs: WorkingInput[],
): CoreDemand | null {
  const around = new Map(air.map((hour) => [hour.startMs, hour]));
  const known = hours.flatMap(({ startMs, values }) => {
    const inside = around.get(startMs);
    return inside
      ? [
          {
            startMs,
            airC: inside.airTemperatureC,
            vpdKpa: inside.vpdKpa,
            solarInsideMjM2: (values.radiation?.value ?? 0) * share,
            origin: inside.origin,
          },
        ]
      : [];
  });
  if (known.length < hours.length) return null;
  inputs.push(
    {
      name: "Vapour pressure deficit inside, mean",
      value: known.reduce((sum, { vpdKpa }) => sum + vpdKpa, 0) / known.length,
      unit: "kPa",
      origins: hourOrigins(known.map(({ origin }) => origin)),
    },
    { name: "Leaf area index", value: leafAreaIndex, unit: "", origins: [library(crop.sources.leafArea)] },
  );
  const hourly = bigLeafMm(known, leafAreaIndex, place.elevationM);
  const demandMm = noteBigLeaf(hourly, leafAreaIndex, known, sheet);
  return { demandMm, hourlyMm: known.map(({ startMs }, at) => ({ startMs, mm: hourly[at] ?? 0 })) };
}
