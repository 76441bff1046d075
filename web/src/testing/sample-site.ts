import type { Explanation } from "@sprunel/contract/basics";
import type { ZoneFeed } from "@sprunel/contract/feed";
import type { ZoneHarvest } from "@sprunel/contract/harvest";
import type { ZoneDripLines } from "@sprunel/contract/irrigation";
import type { ZoneDayAnswer } from "@sprunel/contract/plan";
import type { RootHistory } from "@sprunel/contract/rootzone";
import {
  cropChoiceOf,
  freshPlanting,
  type NewZone,
  type SetUp,
  type Site,
  type System,
  type Zone,
} from "@sprunel/contract/site";
import type { Board, BoardZone } from "@sprunel/contract/today";
import type { WaterStation } from "@sprunel/contract/water";
import { CROPS } from "@sprunel/core/crop";
import { PRODUCTS } from "@sprunel/core/feed/products";
import { fieldsOf, SYSTEMS } from "@sprunel/core/systems";

/** A made-up site, small and whole: what a test does not care about is plausible. */
export const site: Site = {
  id: 1,
  version: 1,
  name: "Testing Hill",
  latitudeDeg: 43.4,
  longitudeDeg: -1.5,
  elevationM: 60,
  timeZone: "Europe/Paris",
  unitSystem: "metric",
  currency: "EUR",
  pumpLh: null,
  kwhPrice: null,
  dateForm: "dmy",
};

const TODAY = "2026-06-16";
const NOW = "2026-06-16T06:10:00.000Z";

export function boardZone(more: Partial<BoardZone> = {}): BoardZone {
  return {
    id: 1,
    name: "Melon bags",
    house: "Glass A",
    system: "substrate",
    mark: "steady",
    missing: null,
    run: { litres: 3321, grossMm: 6.6, litresPerPlant: 2.6, minutes: 78, pulses: 13, mark: "steady" },
    roots: {
      kind: "drained",
      system: "substrate",
      heldPct: 88,
      drain: {
        on: "2026-06-15",
        at: "2026-06-15T14:30:00.000Z",
        sharePct: 27,
        ecMsCm: 3.04,
        feedEcMsCm: 2.32,
        ph: 6.1,
      },
      drainTargetPct: 28,
    },
    rootsMark: "steady",
    crop: {
      ...{ name: "Netted melon", stage: "Fill", day: 9, days: 24, version: 5, outside: [] },
      next: { stageId: "ripening", name: "Ripening", on: "2026-07-02" },
    },
    water: { waters: [{ name: "Roof basin", sharePct: 100 }], stored: true, daysLeft: null },
    harvest: null,
    findings: [],
    nights: [],
    pulses: [
      { startUtc: "2026-06-16T06:00:00.000Z", endUtc: "2026-06-16T06:06:00.000Z", litres: 255, state: "logged" },
      { startUtc: "2026-06-16T07:00:00.000Z", endUtc: "2026-06-16T07:06:00.000Z", litres: 255, state: "planned" },
    ],
    ...more,
  };
}

const lowDrain: BoardZone["findings"][number] = {
  station: "roots",
  finding: { cause: "drain-low", mark: "act", drainPct: 12, targetPct: 28, drainEcMsCm: 4.3 },
  about: "2026-06-15T14:30:00.000Z",
  proposal: {
    correction: { demandFactor: 1.12, drainSharePct: null },
    fromDate: TODAY,
    before: { litres: 3000, pulses: 12, minutes: 70 },
    after: { litres: 3360, pulses: 13, minutes: 79 },
  },
  decision: null,
};

const melons = boardZone();
const thirsty = boardZone({ id: 2, name: "Dry bags", mark: "act", rootsMark: "act", findings: [lowDrain] });
const tank = boardZone({
  id: 3,
  name: "Lettuce tanks",
  system: "solution-tank",
  roots: {
    kind: "stored",
    system: "solution-tank",
    depletionMm: 4,
    triggerMm: 20,
    availableMm: 230,
    levelCm: 24.6,
    levelAtTriggerCm: 23,
    ecMsCm: 1.8,
    ph: 6,
    readAt: "2026-06-15T06:00:00.000Z",
  },
});

export function board(more: Partial<Board> = {}): Board {
  return {
    now: NOW,
    today: TODAY,
    date: TODAY,
    site,
    weatherSimulated: false,
    sun: { riseUtc: "2026-06-16T04:24:00.000Z", setUtc: "2026-06-16T19:48:00.000Z" },
    hours: [{ startUtc: "2026-06-16T06:00:00.000Z", radiationMjM2: 1.2, rainMm: 0, origin: "measured" }],
    zones: [melons, thirsty, tank],
    ...more,
  };
}

export const emptyBoard: Board = { ...board(), site: null, sun: null, hours: [], zones: [] };

/** A zone of a growing system, all figures as they start, nothing left to confirm but its light. */
export function zoneOf(system: System, more: Partial<Zone> = {}): Zone {
  const fields = Object.fromEntries(fieldsOf(system).flatMap(({ key, start }) => (start ? [[key, start.value]] : [])));
  return {
    id: 7,
    version: 3,
    archived: false,
    name: `A ${system} zone`,
    house: { name: "Glass A", transmissionPct: 68 },
    definition: { system, areaM2: 320, plants: 640, flowLh: 1280, ...fields } as unknown as NewZone["definition"],
    demand: null,
    layout: { beds: 10, lengthM: 20, ...SYSTEMS[system].layout },
    unconfirmed: ["transmissionPct"],
    waters: [],
    plantings: [freshPlanting("butterhead", "2026-05-20", { targetPerM2: 4.5 })],
    ...more,
  };
}

export function setUp(zones: readonly Zone[], more: Partial<SetUp> = {}): SetUp {
  return {
    site,
    zones: [...zones],
    crops: CROPS.map(cropChoiceOf),
    sources: [{ id: 1, name: "Roof basin" }],
    ...more,
  };
}

const SHELF = [
  "calcium-nitrate",
  "potassium-nitrate",
  "monopotassium-phosphate",
  "magnesium-sulphate",
  "potassium-sulphate",
];

/** What a zone is fed: a plain target that the shelf can make of rain water. */
export function zoneFeed(more: Partial<ZoneFeed> = {}): ZoneFeed {
  return {
    zoneId: 1,
    stage: "Fill",
    library: null,
    own: { ions: { NO3: 10, H2PO4: 1, K: 6, Ca: 3, Mg: 1, SO4: 1 }, ph: 5.8, version: 4, keptIn: null },
    water: { ions: { Ca: 0.1, HCO3: 0.2 }, ph: 6.8, unmeasured: [] },
    waters: [{ sourceId: 1, name: "Roof basin", sharePct: 100, takenOn: "2026-05-01" }],
    shelf: PRODUCTS.filter(({ id }) => SHELF.some((known) => id.startsWith(known))).map(
      ({ solubility, cautions, ...product }) => ({
        product: { ...product, cautions: [...cautions], ...(solubility && { solubility: [...solubility] }) },
        priceKg: 1.2,
        stockKg: 100,
        version: 1,
      }),
    ),
    settings: {
      tanks: [
        { id: "A", volumeL: 200, dilution: 100 },
        { id: "B", volumeL: 200, dilution: 100 },
      ],
      coarseG: 10,
      fineG: 0.1,
      wishes: { nh4ShareMostPct: null, limits: {}, locks: {} },
      mixed: true,
      version: null,
    },
    tanks: [
      { id: "A", volumeL: 200, dilution: 100 },
      { id: "B", volumeL: 200, dilution: 100 },
    ],
    mixes: [],
    litresToday: 3321,
    ...more,
  };
}

export const rootHistory: RootHistory = {
  zoneId: 1,
  from: "2026-05-20",
  to: TODAY,
  next: null,
  now: melons.roots,
  readings: [
    {
      at: "2026-06-15T14:30:00.000Z",
      dripEcMsCm: null,
      dripPh: null,
      drainPct: 27,
      drainEcMsCm: 3.04,
      feedEcMsCm: 2.32,
      drainPh: 6.1,
      tankEcMsCm: null,
      tankPh: null,
      levelCm: null,
      tensionKpa: null,
      rootC: null,
      co2Ppm: null,
      struck: null,
    },
  ],
  mornings: [],
  balances: null,
};

const demand: Explanation = {
  steps: [
    {
      label: "Demand",
      formula: "light + air",
      substituted: "3.2 + 1.1",
      value: 4.3,
      unit: "L/m²",
      source: "Baille, Baille & Laury (1994), the form",
    },
  ],
  inputs: [{ name: "Leaf area index", value: 2.4, unit: "", origins: [{ kind: "default" }] }],
};

export function zoneDay(more: Partial<ZoneDayAnswer> = {}): ZoneDayAnswer {
  return {
    zoneId: 1,
    date: TODAY,
    now: NOW,
    missing: null,
    et0OutsideMm: 4.6,
    hours: [],
    pulses: melons.pulses,
    roots: melons.roots,
    inForce: null,
    findings: [],
    workings: { demand, litres: demand },
    plan: {
      demandMm: 4.3,
      demandPerPlantL: 1.7,
      et0Mm: null,
      kc: 1,
      leafAreaIndex: 2.4,
      solarOutsideMjM2: 15.4,
      lightSumMolM2: 22,
      netMm: 4.3,
      grossMm: 6.6,
      litres: 3321,
      litresPerPlant: 2.6,
      drainL: 930,
      leachingPct: 28,
      minutesTotal: 78,
      window: { start: "07:54", end: "19:48" },
      events: [{ start: "08:00:00", minutes: 6, litres: 255 }],
      warnings: [],
    },
    ...more,
  };
}

/** A basin that runs down and a well, each with its report. */
export const waterStation: WaterStation = {
  date: TODAY,
  sources: [
    {
      source: {
        id: 1,
        version: 2,
        name: "Roof basin",
        kind: "roof",
        maxFlowLh: 12_000,
        priceM3: 0.05,
        licenceM3Year: null,
        storage: { capacityM3: 320, levelM3: 190, readOn: "2026-06-10", roofM2: 2400, runoffPct: 85 },
        turn: null,
        analysis: null,
      },
      report: {
        id: 1,
        sourceName: "Roof basin",
        takenOn: "2026-05-01",
        ions: { Ca: 0.1, Na: 0.1, HCO3: 0.2, Cl: 0.1 },
        ph: 6.4,
        ecMsCm: 0.04,
      },
      dailyUseM3: 10.9,
      aheadUseM3: 8.96,
      yearUseM3: 640,
      levelM3: 188,
      daysLeft: 17,
      levels: [
        { date: TODAY, m3: 188 },
        { date: "2026-06-17", m3: 179 },
      ],
      nextTurn: null,
      working: [],
    },
    {
      source: {
        id: 2,
        version: 1,
        name: "Borehole",
        kind: "well",
        maxFlowLh: 15_000,
        priceM3: null,
        licenceM3Year: null,
        storage: null,
        turn: null,
        analysis: null,
      },
      report: null,
      dailyUseM3: 32.6,
      aheadUseM3: 10.6,
      yearUseM3: 1100,
      levelM3: null,
      daysLeft: null,
      levels: [],
      nextTurn: null,
      working: [],
    },
  ],
};

const noSteps: Explanation = { steps: [], inputs: [] };

export function zoneHarvest(more: Partial<ZoneHarvest> = {}): ZoneHarvest {
  return {
    zoneId: 1,
    date: TODAY,
    crop: "Netted melon",
    soldAs: { kind: "mass" },
    areaM2: 500,
    targetPerM2: 6,
    pickedPerM2: 1.5,
    pathPerM2: 2.1,
    litresPerUnit: 88,
    path: [
      { date: "2026-06-01", perM2: 0 },
      { date: "2026-07-20", perM2: 6 },
    ],
    picks: [
      {
        id: 4,
        pickedOn: "2026-06-15",
        clock: null,
        massKg: 310,
        count: 240,
        grade: "class 1",
        brixPct: 12.4,
        struck: null,
      },
      {
        id: 3,
        pickedOn: "2026-06-12",
        clock: null,
        massKg: 80,
        count: null,
        grade: null,
        brixPct: null,
        struck: "of another zone",
      },
    ],
    workings: { picked: noSteps, path: noSteps },
    ...more,
  };
}

export function dripLines(more: Partial<ZoneDripLines> = {}): ZoneDripLines {
  return {
    zoneId: 1,
    lines: null,
    flowLh: 2560,
    meteredLh: 2480,
    tests: [
      {
        id: 9,
        testedOn: "2026-06-04",
        minutes: 6,
        catchesMl: [
          [112, 109, 110, 107],
          [108, 41, 64, 30],
        ],
        struck: null,
      },
    ],
    ...more,
  };
}
