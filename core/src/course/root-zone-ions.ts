import { phInAir } from "../chemistry/carbonate.ts";
import type { Ions } from "../chemistry/ions.ts";
import {
  FOLLOWED_IONS,
  ION_BOOKS,
  ION_SLOTS,
  ionRow,
  stepIons,
  type IonHour,
  type IonUptake,
} from "../rootzone/solutes.ts";
import type { StoreFigures } from "../rootzone/store.ts";
import type { Checks } from "../working/checks.ts";
import type { Worksheet } from "../working/working.ts";

/** What is to be known of the ions of a root zone, so that they can be followed. */
export interface IonsAsked {
  /** in the water at the start, mmol/L */
  readonly startMmolL?: Ions | undefined;
  /** in what the crop takes up, mmol in each litre of it */
  readonly uptakeMmolL?: Ions | undefined;
  /** share of the concentration round the roots with which sodium and chloride are taken, 0 to 1 */
  readonly stayingUptakeShare?: number | undefined;
  /** carbon dioxide in the air of the root zone, % by volume */
  readonly co2Pct?: number | undefined;
  readonly temperatureC?: number | undefined;
}

type FollowedIon = (typeof FOLLOWED_IONS)[number];

interface IonBooks {
  readonly inMmolM2: number;
  readonly takenMmolM2: number;
  readonly outMmolM2: number;
  readonly changeMmolM2: number;
  readonly residualMmolM2: number;
}

/** Air between roots holds 0.2 to 2 % of carbon dioxide, their own breath; 1 % where nobody says it. Assumed. */
const USUAL_CO2_PCT = 1;
/** Roots under cover, where nobody says it. Assumed. */
const USUAL_TEMPERATURE_C = 20;
/** Tomato takes sodium and chloride with about a tenth of their concentration; Sonneveld & Voogt (2009), chapter 7. */
const USUAL_STAYING_SHARE = 0.1;
const FOLLOWED: ReadonlySet<string> = new Set(FOLLOWED_IONS);
const STAYING: readonly FollowedIon[] = ["Na", "Cl"];

/** Adds what of the ions cannot be. */
export function checkIons(checks: Checks, asked: IonsAsked, given: readonly (Ions | undefined)[]): void {
  checks
    .range("ions.stayingUptakeShare", "The share of sodium and chloride taken", asked.stayingUptakeShare, 0, 1)
    .range("ions.co2Pct", "Carbon dioxide between the roots", asked.co2Pct, 0.03, 20, "%")
    .range("ions.temperatureC", "The root zone's temperature", asked.temperatureC, 0, 45, "°C");
  const amounts = (path: string, ions: Ions = {}): void => {
    for (const [ion, mmolL] of Object.entries(ions))
      if (FOLLOWED.has(ion)) checks.range(`${path}.${ion}`, ion, mmolL, 0, 200, "mmol/L");
      else
        checks.when(
          true,
          "not-possible",
          `${path}.${ion}`,
          `${ion} is not followed through a root zone: leave it out.`,
        );
  };
  amounts("ions.startMmolL", asked.startMmolL);
  amounts("ions.uptakeMmolL", asked.uptakeMmolL);
  checks.when(
    asked.uptakeMmolL?.HCO3 !== undefined,
    "not-possible",
    "ions.uptakeMmolL.HCO3",
    "What the crop takes or gives off of bicarbonate follows from the charge of the other ions: leave it out.",
  );
  given.forEach((ions, at) => amounts(`hours.${at}.ionsMmolL`, ions));
}

/** The ions of a root zone beside its water, hour after hour. */
export class RootZoneIons {
  private readonly amounts: Float64Array;
  private readonly start: Float64Array;
  private readonly uptake: IonUptake;
  private readonly books = new Float64Array(ION_BOOKS);
  private readonly ph: ReturnType<typeof phInAir>;
  private readonly given = new Float64Array(ION_SLOTS);

  /** @param waterMm in the root zone at the start */
  constructor(
    private readonly store: StoreFigures,
    waterMm: number,
    { startMmolL = {}, uptakeMmolL = {}, stayingUptakeShare, co2Pct, temperatureC }: IonsAsked,
    sheet: Worksheet,
  ) {
    this.amounts = ionRow(startMmolL).map((mmolL) => mmolL * waterMm);
    this.start = this.amounts.slice();
    const share = stayingUptakeShare ?? USUAL_STAYING_SHARE;
    this.uptake = {
      concentrations: ionRow(uptakeMmolL),
      shares: Float64Array.from(FOLLOWED_IONS, (ion) =>
        STAYING.includes(ion) && uptakeMmolL[ion] === undefined ? share : 0,
      ),
    };
    this.ph = phInAir(temperatureC ?? USUAL_TEMPERATURE_C, (co2Pct ?? USUAL_CO2_PCT) / 100);
    if (co2Pct === undefined)
      sheet.warn(`The pH counts on ${USUAL_CO2_PCT} % of carbon dioxide between the roots: that is assumed.`);
    if (stayingUptakeShare === undefined)
      sheet.warn(
        `Sodium and chloride are taken with ${USUAL_STAYING_SHARE} of their concentration, as by tomato: that is assumed for other crops.`,
      );
  }

  /** Moves the ions through an hour, and says how they stand after it. */
  step(
    hour: Omit<IonHour, "given">,
    ions: Ions | undefined,
    waterMm: number,
  ): { readonly ionsMmolL: Ions; readonly ph: number | null } {
    for (let at = 0; at < ION_SLOTS; at++) this.given[at] = ions?.[FOLLOWED_IONS[at] as FollowedIon] ?? 0;
    stepIons(this.store, this.amounts, { ...hour, given: this.given }, this.uptake, this.books);
    const perMm = waterMm > 1e-9 ? 1 / waterMm : 0;
    const ionsMmolL: Partial<Record<FollowedIon, number>> = {};
    for (let at = 0; at < ION_SLOTS; at++)
      ionsMmolL[FOLLOWED_IONS[at] as FollowedIon] = (this.amounts[at] as number) * perMm;
    return { ionsMmolL, ph: perMm > 0 ? this.ph(ionsMmolL.HCO3 ?? 0, ionsMmolL.H2PO4 ?? 0) : null };
  }

  /** Where each ion came from and went, mmol/m². */
  balance(): Readonly<Record<string, IonBooks>> {
    const book = (part: number, at: number): number => this.books[part * ION_SLOTS + at] as number;
    return Object.fromEntries(
      FOLLOWED_IONS.map((ion, at): [string, IonBooks] => {
        const [inMmolM2, takenMmolM2, outMmolM2] = [book(0, at), book(1, at), book(2, at)];
        const changeMmolM2 = (this.amounts[at] as number) - (this.start[at] as number);
        const residualMmolM2 = inMmolM2 - takenMmolM2 - outMmolM2 - changeMmolM2;
        return [ion, { inMmolM2, takenMmolM2, outMmolM2, changeMmolM2, residualMmolM2 }];
      }),
    );
  }
}
