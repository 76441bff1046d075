import type { ListKind } from "@sprunel/contract/exchange";
import type { Quantity } from "@sprunel/core/units";

interface ListWords {
  readonly name: string;
  readonly title: string;
  readonly says: string;
  readonly file: string;
}

export const LISTS: Record<ListKind, ListWords> = {
  readings: {
    name: "Readings at the roots",
    title: "Import readings",
    says: "A notebook or a pen's list, as text or workbook: EC, pH, drain, tension, level or temperature by zone and time, in any of seven languages. Notes are shown here and not stored.",
    file: "a list of readings",
  },
  "soil-tests": {
    name: "Soil tests",
    title: "Import soil tests",
    says: "A laboratory's list: a place, a depth, a day, and pH, EC, P, K, Mg or mineral nitrogen, as oxides or elements.",
    file: "a list of soil tests",
  },
  picks: {
    name: "Picks",
    title: "Import picks",
    says: "A log of picks: a day, a zone, a grade, and kilograms or crates.",
    file: "a log of picks",
  },
  shelf: {
    name: "Shelf",
    title: "Import the shelf",
    says: "A list of bags by their label, with what is left and what they cost. It takes the place of what the shelf says of the same products.",
    file: "a list of bags",
  },
};

/** What a column may mean, and what a stored value is. */
export const FIELD_WORDS: Readonly<
  Record<string, { readonly name: string; readonly unit?: string; readonly quantity?: Quantity }>
> = {
  ignore: { name: "not used" },
  zone: { name: "zone" },
  stamp: { name: "day and time" },
  date: { name: "day" },
  time: { name: "time" },
  at: { name: "read (UTC)" },
  note: { name: "note" },
  feedEc: { name: "EC of the feed" },
  dripEc: { name: "EC of the drip" },
  drainEc: { name: "EC of the drain" },
  dripPh: { name: "pH of the drip" },
  drainPh: { name: "pH of the drain" },
  drainPct: { name: "drain share", unit: "%" },
  dripMl: { name: "jug under a dripper", unit: "mL" },
  drainMl: { name: "tray of drain", unit: "mL" },
  drippers: { name: "drippers over the tray" },
  levelCm: { name: "water level", unit: "cm" },
  tensionKpa: { name: "tension", unit: "kPa" },
  rootC: { name: "root temperature", quantity: "temperature" },
  co2Ppm: { name: "CO₂", unit: "ppm" },
  feedEcMsCm: { name: "EC feed", unit: "mS/cm" },
  dripEcMsCm: { name: "EC drip", unit: "mS/cm" },
  drainEcMsCm: { name: "EC drain", unit: "mS/cm" },
  takenOn: { name: "taken" },
  depth: { name: "depth" },
  depthCm: { name: "depth", unit: "cm" },
  texture: { name: "texture" },
  ph: { name: "pH" },
  ec: { name: "EC of the saturated extract" },
  ecSaturatedMsCm: { name: "EC, saturated extract", unit: "mS/cm" },
  om: { name: "organic matter" },
  organicMatterPct: { name: "organic matter", unit: "%" },
  p2o5: { name: "P₂O₅" },
  p: { name: "P" },
  pMgKg: { name: "P", unit: "mg/kg" },
  k2o: { name: "K₂O" },
  k: { name: "K" },
  kMgKg: { name: "K", unit: "mg/kg" },
  mgo: { name: "MgO" },
  mg: { name: "Mg" },
  mgMgKg: { name: "Mg", unit: "mg/kg" },
  nmin: { name: "mineral N" },
  no3n: { name: "nitrate N" },
  nitrateNMgKg: { name: "nitrate N", unit: "mg/kg" },
  cec: { name: "cation exchange capacity" },
  cecCmolKg: { name: "CEC", unit: "cmol(+)/kg" },
  cao: { name: "CaO" },
  ca: { name: "Ca" },
  caMgKg: { name: "Ca", unit: "mg/kg" },
  na: { name: "Na" },
  naMgKg: { name: "Na", unit: "mg/kg" },
  phIn: { name: "pH measured in" },
  mineralNKgHa: { name: "mineral N", unit: "kg/ha" },
  pickedOn: { name: "picked" },
  grade: { name: "grade" },
  amount: { name: "mass or crates" },
  massKg: { name: "mass", quantity: "mass" },
  count: { name: "count of fruit" },
  fruitCount: { name: "fruit" },
  brix: { name: "Brix" },
  brixPct: { name: "Brix", unit: "%" },
  product: { name: "product" },
  form: { name: "form" },
  totalN: { name: "total N" },
  totalNPct: { name: "total N", unit: "%" },
  nitrateN: { name: "nitrate N" },
  ammoniumN: { name: "ammonium N" },
  ureaN: { name: "urea N" },
  elementPct: { name: "elements, %" },
  bag: { name: "size of a bag" },
  bagKg: { name: "bag", quantity: "mass" },
  density: { name: "kg per litre" },
  densityKgL: { name: "density", unit: "kg/L" },
  price: { name: "price of a bag" },
  pricePerBag: { name: "price of a bag" },
  pricePerKg: { name: "price", quantity: "pricePerMass" },
  bags: { name: "bags left" },
  inStockKg: { name: "in stock", quantity: "mass" },
  label: { name: "label" },
  mass: { name: "mass" },
};

export const wordsOf = (field: string): string => FIELD_WORDS[field]?.name ?? field;

export const FLAG_WORDS: Record<string, string> = {
  impossible: "impossible, set aside",
  unreadable: "no number, set aside",
  "unit-unknown": "its unit is not understood: set aside until you choose one",
  "zone-guessed": "taken for the zone nearest in spelling",
  "ec-unit-guessed": "read in another unit than the column's",
  "ec-ph-swapped": "EC and pH seem exchanged, both set aside",
  "drain-over-feed": "more in the tray than was given, set aside",
  "scale-slip": "far from the usual fruit, set aside",
  "spreadsheet-date": "turned into a date by a spreadsheet, set aside",
  "label-does-not-add-up": "total nitrogen and its forms differ",
  "label-over-100": "the label adds up to more than 100 %",
};
