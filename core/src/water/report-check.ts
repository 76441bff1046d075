import { chargeBalance, CHARGE, MACRO_IONS, type ChargeBalance, type Ion, type Ions } from "../chemistry/ions.ts";
import { ecMsCm } from "../chemistry/solution.ts";

interface SlipOffer {
  readonly ion: Ion;
  /** 0.1 or 10 */
  readonly factor: number;
  readonly readMmolL: number;
  readonly offerMmolL: number;
}

export interface ReportCheck extends ChargeBalance {
  readonly verdict: "good" | "doubtful" | "refused";
  readonly ecFromIonsMsCm: number;
  /** null when the report has no EC */
  readonly ecWithin10Pct: boolean | null;
  /** one ion ten times off that would explain it, charge and conductivity agreeing */
  readonly slip: SlipOffer | null;
}

/** Charge is good to 5 % and doubtful to 10 %; in water under 3 meq/L a gap of 0.2 meq/L counts instead. */
const GOOD_PCT = 5;
const DOUBTFUL_PCT = 10;
const PURE_MEQ = 3;
const PURE_GAP_MEQ = 0.2;
const EC_SHARE = 0.1;

/** Whether a report's ions can be true together, and which slip of ten would explain it if not. */
export function checkReport(ions: Ions, ph: number, ecMeasured: number | null): ReportCheck {
  const balance = chargeBalance(ions);
  const verdict = verdictOf(balance);
  return {
    ...balance,
    verdict,
    ...conductivity(ions, ph, ecMeasured),
    slip: verdict === "refused" ? findSlip(ions, ph, ecMeasured) : null,
  };
}

function verdictOf({ cationsMeqL, anionsMeqL, errorPct }: ChargeBalance): ReportCheck["verdict"] {
  if (Math.max(cationsMeqL, anionsMeqL) < PURE_MEQ)
    return Math.abs(cationsMeqL - anionsMeqL) <= PURE_GAP_MEQ ? "good" : "refused";
  const error = Math.abs(errorPct);
  return error <= GOOD_PCT ? "good" : error <= DOUBTFUL_PCT ? "doubtful" : "refused";
}

function conductivity(
  ions: Ions,
  ph: number,
  measured: number | null,
): Pick<ReportCheck, "ecFromIonsMsCm" | "ecWithin10Pct"> {
  const computed = ecMsCm(ions, ph);
  return {
    ecFromIonsMsCm: computed,
    ecWithin10Pct: measured === null ? null : Math.abs(computed - measured) <= EC_SHARE * measured,
  };
}

/** By charge alone several ions could be at fault; the conductivity says which. */
function findSlip(ions: Ions, ph: number, measured: number | null): SlipOffer | null {
  if (measured === null) return null;
  const offers = MACRO_IONS.filter((ion) => CHARGE[ion] !== 0 && (ions[ion] ?? 0) > 0).flatMap((ion) =>
    [0.1, 10].flatMap((factor) => {
      const readMmolL = ions[ion] ?? 0;
      const mended = { ...ions, [ion]: readMmolL * factor };
      const fits = verdictOf(chargeBalance(mended)) === "good" && conductivity(mended, ph, measured).ecWithin10Pct;
      return fits
        ? [{ ion, factor, readMmolL, offerMmolL: readMmolL * factor, error: Math.abs(chargeBalance(mended).errorPct) }]
        : [];
    }),
  );
  const [best] = offers.sort((a, b) => a.error - b.error);
  return best ? { ion: best.ion, factor: best.factor, readMmolL: best.readMmolL, offerMmolL: best.offerMmolL } : null;
}
