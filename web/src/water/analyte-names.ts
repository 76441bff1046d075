import type { Ion } from "@sprunel/contract/basics";
import { ionName } from "../words/ion-names.ts";

const NAMES: Readonly<Record<string, string>> = {
  ph: "pH",
  ec: "EC",
  hardness: "total hardness",
  date: "day taken",
  sample: "name of the water",
  alkalinity: "alkalinity, as CaCO₃",
  "NO3 as N": "nitrate, as N",
  "NH4 as N": "ammonium, as N",
  "SO4 as S": "sulphur, as S",
  PO4: "phosphate, as PO₄",
  P: "phosphorus, as P",
  P2O5: "phosphorus, as P₂O₅",
  SiO2: "silica, as SiO₂",
  ignore: "not used",
};

/** What a laboratory measured, or what a column of its file may mean, in words. */
export function analyteName(kind: string): string {
  return NAMES[kind] ?? ionName(kind as Ion);
}
