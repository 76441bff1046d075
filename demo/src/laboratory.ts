import type { NewZoneReport } from "@sprunel/contract/rootzone";
import type { NewWaterReport } from "@sprunel/contract/water";

/** What the laboratory found, by days ago. The borehole is rich in bicarbonate; it balances to 0.02 meq/L. */
export const reports: readonly (Omit<NewWaterReport, "takenOn"> & { readonly daysAgo: number })[] = [
  {
    sourceName: "Borehole",
    daysAgo: 400,
    ions: { Ca: 1.8, Mg: 0.52, Na: 0.92, K: 0.08, NO3: 0.12, Cl: 0.82, SO4: 0.29, HCO3: 4.2, Fe: 1.6, Mn: 0.4, B: 6 },
    ph: 7.4,
    ecMsCm: 0.55,
  },
  {
    sourceName: "Borehole",
    daysAgo: 40,
    ions: { Ca: 1.9, Mg: 0.55, Na: 1.0, K: 0.08, NO3: 0.1, Cl: 0.9, SO4: 0.3, HCO3: 4.4, Fe: 1.8, Mn: 0.5, B: 7 },
    ph: 7.4,
    ecMsCm: 0.58,
  },
  {
    sourceName: "Roof basin",
    daysAgo: 131,
    ions: { Ca: 0.08, Mg: 0.02, Na: 0.17, K: 0.02, NO3: 0.02, Cl: 0.19, SO4: 0.02, HCO3: 0.13 },
    ph: 6.4,
    ecMsCm: 0.04,
  },
];

type Told<T> = T extends unknown ? Omit<T, "takenOn"> & { readonly daysAgo: number } : never;

const soil = (
  daysAgo: number,
  depthCm: [number, number],
  [ph, ecSaturatedMsCm, organicMatterPct, pMgKg, kMgKg, mgMgKg, mineralNKgHa]: readonly number[],
): Told<NewZoneReport> => ({
  kind: "soil",
  daysAgo,
  depthCm,
  texture: null,
  ph: ph ?? null,
  ecSaturatedMsCm: ecSaturatedMsCm ?? null,
  organicMatterPct: organicMatterPct ?? null,
  pMgKg: pMgKg ?? null,
  kMgKg: kMgKg ?? null,
  mgMgKg: mgMgKg ?? null,
  mineralNKgHa: mineralNKgHa ?? null,
});

/** What the laboratory found at the roots of a zone, by its name. The melon's sodium creeps up. */
export const zoneReports: Readonly<Record<string, readonly Told<NewZoneReport>[]>> = {
  "Courgette tunnel": [
    soil(430, [0, 30], [6.2, 2.5, 3.6, 28, 196, 163, 44]),
    soil(250, [0, 30], [6.1, 2.1, 3.5, 26, 184, 175, 38]),
    soil(250, [30, 60], [6.9, 1.0, 1.7, 14, 118, 85, 15]),
    soil(90, [0, 30], [6.3, 2.9, 3.5, 24, 172, 171, 31]),
    soil(90, [30, 60], [6.9, 1.3, 1.7, 13, 112, 86, 12]),
  ],
  "Fennel field": [
    soil(200, [0, 30], [6.8, 1.2, 2.7, 34, 209, 110, 24]),
    soil(70, [0, 30], [6.7, 1.4, 2.7, 36, 202, 108, 28]),
  ],
  "Melon bags": [
    {
      kind: "drain",
      daysAgo: 44,
      ions: { NO3: 17.2, H2PO4: 1.1, SO4: 4.1, Cl: 1.9, NH4: 0.2, K: 8.4, Ca: 6.3, Mg: 3.0, Na: 2.4 },
      ph: 6.1,
      ecMsCm: 2.9,
    },
    {
      kind: "drain",
      daysAgo: 23,
      ions: { NO3: 19.0, H2PO4: 1.0, SO4: 4.9, Cl: 2.6, NH4: 0.1, K: 8.1, Ca: 7.3, Mg: 3.6, Na: 3.6 },
      ph: 6.2,
      ecMsCm: 3.3,
    },
    {
      kind: "drain",
      daysAgo: 5,
      ions: { NO3: 20.6, H2PO4: 0.9, SO4: 5.6, Cl: 3.3, NH4: 0.1, K: 7.8, Ca: 8.1, Mg: 4.1, Na: 4.7 },
      ph: 6.2,
      ecMsCm: 3.6,
    },
  ],
};
