import type { Source } from "../table/read-table.ts";
import { readList, type ListChoices, type ListTable } from "../table/list.ts";
import { RowRejected, type ListCells } from "../table/list-cells.ts";
import type { Quantity } from "../table/quantity.ts";
import { EC_QUANTITY } from "../table/usual-quantities.ts";
import type { Declaration } from "../table/declaration.ts";

type ReadingColumn =
  | "zone"
  | "stamp"
  | "date"
  | "time"
  | "feedEc"
  | "dripEc"
  | "drainEc"
  | "dripPh"
  | "drainPh"
  | "drainPct"
  | "dripMl"
  | "drainMl"
  | "drippers"
  | "levelCm"
  | "tensionKpa"
  | "rootC"
  | "co2Ppm"
  | "note";

const VOLUME: Quantity = { units: ["mL", "L", "fl oz", "gal"] };
const NOT_EC_OR_PH = ["ec", "ph", "temperature"] as const;

const DECLARATION: Declaration<ReadingColumn> = {
  meanings: {
    zone: { named: [["zone"]], weakly: [["tank"], ["sample"]] },
    stamp: { named: [["stamp"], ["date", "time"]] },
    date: { named: [["date"]] },
    time: { named: [["time"]] },
    drainPh: {
      named: [
        ["ph", "drain"],
        ["ph", "tray"],
      ],
    },
    dripPh: {
      named: [
        ["ph", "drip"],
        ["ph", "feed"],
        ["ph", "tank"],
      ],
      weakly: [["ph"]],
    },
    drainEc: {
      named: [
        ["ec", "drain"],
        ["ec", "tray"],
      ],
      quantity: EC_QUANTITY,
    },
    dripEc: {
      named: [
        ["ec", "drip"],
        ["ec", "tank"],
      ],
      weakly: [["ec"]],
      never: ["drain", "feed"],
      quantity: EC_QUANTITY,
    },
    feedEc: { named: [["ec", "feed"]], quantity: EC_QUANTITY },
    drainPct: { named: [["drain", "share"], ["drain"]], never: NOT_EC_OR_PH, quantity: { units: ["%"] } },
    drippers: { named: [["drip", "tray"], ["drip", "number"], ["drip"]], never: [...NOT_EC_OR_PH, "volume"] },
    drainMl: {
      named: [["drain", "tray"], ["drain", "volume"], ["tray"], ["drain"]],
      never: [...NOT_EC_OR_PH, "drip", "share"],
      quantity: VOLUME,
    },
    dripMl: {
      named: [["drip", "jug"], ["drip", "volume"], ["jug"], ["drip"]],
      never: [...NOT_EC_OR_PH, "drain", "tray"],
      quantity: VOLUME,
    },
    levelCm: { named: [["level"]], never: ["tank"], quantity: { units: ["cm", "in", "mm", "m"] } },
    tensionKpa: { named: [["tension"]], quantity: { units: ["kPa", "cb", "hPa", "mbar", "bar", "psi"] } },
    rootC: {
      named: [
        ["temperature", "soil"],
        ["temperature", "tank"],
        ["temperature", "drip"],
      ],
      never: ["inside"],
      quantity: { units: ["°C", "°F"] },
    },
    co2Ppm: { named: [["co2"]] },
    note: { named: [["note"]] },
  },
  needs: [
    ["stamp", "date"],
    [
      ...(["drainEc", "dripEc", "feedEc", "drainPh", "dripPh", "drainPct", "drainMl"] as const),
      ...(["levelCm", "tensionKpa", "rootC"] as const),
    ],
  ],
  identity: ["zone", "stamp", "time"],
  times: { stamp: "stamp", date: "date", time: "time" },
  spread: { by: ["zone"] },
};

/** One look at a root zone out of a notebook; null is not measured or set aside. */
export interface NotedReading {
  readonly zone: string;
  readonly atMs: number;
  readonly feedEcMsCm: number | null;
  readonly dripEcMsCm: number | null;
  readonly drainEcMsCm: number | null;
  readonly dripPh: number | null;
  readonly drainPh: number | null;
  readonly dripMl: number | null;
  readonly drainMl: number | null;
  readonly drippers: number | null;
  readonly drainPct: number | null;
  readonly levelCm: number | null;
  readonly tensionKpa: number | null;
  readonly rootC: number | null;
  readonly co2Ppm: number | null;
  readonly note: string;
}

interface ReadingListChoices extends ListChoices {
  /** drippers over one tray, where no column says it */
  readonly drippersOnTray?: number | undefined;
}

type ReadingList = ListTable<ReadingColumn, NotedReading>;

const EC_MOST = 20;
const PH = { least: 3, most: 10 };
/** What cannot be a pH in a root zone, and what can. */
const ROOT_PH = { least: 3.5, most: 10 };

/**
 * Reads a notebook or a pen's list of readings at the roots.
 *
 * @throws {DomainError} when no such list is in the file
 */
export function readReadingList(source: Source, choices: ReadingListChoices): ReadingList {
  const taken = new Map<string, { readonly line: number; readonly values: NotedReading }>();
  return readList(source, DECLARATION, choices, {
    what: "No readings were found. The file needs a row of headings with a zone, a day, and at least one of EC, pH or drain.",
    dateKinds: ["date", "stamp"],
    judge: (cells, { layout }) => {
      const [instants, zone] = [cells.instants("time", "stamp"), cells.zone("zone")];
      const of = {
        feedEcMsCm: ec(cells, "feedEc"),
        dripEcMsCm: ec(cells, "dripEc"),
        drainEcMsCm: ec(cells, "drainEc"),
      };
      const ph = { dripPh: cells.value("dripPh", "dripPh"), drainPh: cells.value("drainPh", "drainPh") };
      swapped(cells, of, ph);
      const values = {
        ...of,
        dripPh: ph.dripPh === null ? null : cells.within("dripPh", "dripPh", PH.least, PH.most),
        drainPh: ph.drainPh === null ? null : cells.within("drainPh", "drainPh", PH.least, PH.most),
        ...drain(
          cells,
          cells.within("drippers", "drippers", 1, 500) ?? choices.drippersOnTray ?? drippersIn(layout.preamble),
        ),
        levelCm: cells.within("levelCm", "levelCm", -100, 200),
        tensionKpa: cells.within("tensionKpa", "tensionKpa", 0, 200),
        rootC: cells.within("rootC", "rootC", -10, 60),
        co2Ppm: cells.within("co2Ppm", "co2Ppm", 100, 5000),
        note: cells.text("note"),
      };
      const readAt = (atMs: number): NotedReading => ({ zone, atMs, ...values });
      // In the repeated hour the first instant that is still free is meant.
      const free = instants.find((instant) => !taken.has(`${instant} ${zone}`));
      const reading = readAt(free ?? instants[0] ?? NaN);
      if (free === undefined) {
        const before = taken.get(`${reading.atMs} ${zone}`);
        if (JSON.stringify(before?.values) === JSON.stringify(reading))
          throw new RowRejected("duplicate", "the row stands in the file twice");
        throw new RowRejected(
          "conflict",
          `line ${before?.line} has the same zone and time and other values; the first stays`,
        );
      }
      taken.set(`${free} ${zone}`, { line: cells.line, values: reading });
      return reading;
    },
  });
}

type EcKind = "feedEc" | "dripEc" | "drainEc";
interface Ecs {
  feedEcMsCm: number | null;
  dripEcMsCm: number | null;
  drainEcMsCm: number | null;
}
interface Phs {
  dripPh: number | null;
  drainPh: number | null;
}

/** In the unit of the cell or the column, unless the number itself tells another: pens are set now this way, now that. */
function ec(cells: ListCells<ReadingColumn>, kind: EcKind): number | null {
  const { value, unit: typed, raw } = cells.cell(kind);
  const unit = cells.unit(kind);
  // What cannot be told is set aside, and says so.
  if (value === null || unit === null) return cells.value(kind, `${kind}MsCm`);
  const meant = typed === "" ? likelyUnit(value, unit) : unit;
  if (meant === unit) return cells.within(kind, `${kind}MsCm`, 0, EC_MOST);
  cells.flags.push({ code: "ec-unit-guessed", kind, raw, taken: meant });
  return cells.inUnit(kind, value, meant);
}

function likelyUnit(value: number, unit: string): string {
  if (unit === "mS/cm") return value >= 100 ? "µS/cm" : unit;
  return value < EC_MOST ? "mS/cm" : unit;
}

/** An EC under pH and a pH under EC: both are set aside, the exchange is offered, and no unit is guessed. */
function swapped(cells: ListCells<ReadingColumn>, of: Ecs, ph: Phs): void {
  const pairs = [
    { ecKind: "drainEc", phField: "drainPh" },
    { ecKind: cells.cell("dripEc").value === null ? "feedEc" : "dripEc", phField: "dripPh" },
  ] as const;
  for (const { ecKind, phField } of pairs) {
    const [underEc, underPh] = [cells.cell(ecKind).value, ph[phField]];
    if (underEc === null || underPh === null) continue;
    const unit = cells.unit(ecKind) ?? "";
    const asEc = cells.inUnit(ecKind, underPh, unit) ?? NaN;
    const isPh = underPh >= ROOT_PH.least && underPh <= ROOT_PH.most;
    if (isPh || !(underEc >= ROOT_PH.least && underEc <= ROOT_PH.most) || !(asEc >= 0 && asEc <= EC_MOST)) continue;
    const ecField = `${ecKind}MsCm` as const;
    const earlier = cells.flags.findIndex((flag) => flag.kind === ecKind);
    if (earlier >= 0) cells.flags.splice(earlier, 1);
    cells.flags.push({
      code: "ec-ph-swapped",
      kind: phField,
      raw: `EC ${cells.text(ecKind)}, pH ${cells.text(phField)}`,
      offer: { [ecField]: cells.inUnit(ecKind, underPh, likelyUnit(underPh, unit)) ?? asEc, [phField]: underEc },
    });
    of[ecField] = null;
    ph[phField] = null;
  }
}

/** The share that drained: the tray's water over what its drippers gave. */
function drain(
  cells: ListCells<ReadingColumn>,
  drippers: number | null,
): Pick<NotedReading, "dripMl" | "drainMl" | "drippers" | "drainPct"> {
  const [dripMl, drainMl] = [cells.value("dripMl", "dripMl"), cells.value("drainMl", "drainMl")];
  const noted = cells.within("drainPct", "drainPct", 0, 95);
  if (dripMl === null || drainMl === null || drippers === null) return { dripMl, drainMl, drippers, drainPct: noted };
  const givenMl = dripMl * drippers;
  if (drainMl <= givenMl) return { dripMl, drainMl, drippers, drainPct: noted ?? (100 * drainMl) / givenMl };
  cells.flags.push({
    code: "drain-over-feed",
    kind: "drainMl",
    raw: cells.text("drainMl"),
    taken: `its ${drippers} drippers gave ${Math.round(givenMl)} mL`,
  });
  return { dripMl, drainMl: null, drippers, drainPct: noted };
}

/** "Tray = 6 drippers" in the text on top. */
function drippersIn(preamble: readonly string[]): number | null {
  const found = /tray\D*?(\d+)\s*(drippers?|emitters?)/i.exec(preamble.join(" "))?.[1];
  return found === undefined ? null : Number(found);
}
