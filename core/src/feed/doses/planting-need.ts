import type { Standing } from "../../crop/planting.ts";
import type { ZoneDefinition } from "../../site/zone.ts";
import { daysBetween } from "../../time/local-time.ts";
import type { WorkingStep } from "../../working/working.ts";
import { freedShare, heldBy } from "./coated-grains.ts";
import { ownAimTHa } from "./crop-mass.ts";
import type { DigestateGiven } from "./digestate.ts";
import { doseNeed, type Credit } from "./need.ts";
import { plus, scaled, type MainAmounts } from "./nutrients.ts";
import type { ProgrammeGrounds } from "./programme-grounds.ts";
import { CLASS_FACTOR, classOf, type SoilClass } from "./soil-class.ts";
import { newestLayers, type SoilTest } from "./soil-tests.ts";

/** A soil test that is older tells little of mineral nitrogen: counted at half, its low end. Assumed. */
export const OLD_DAYS = 365;
export const OLD_SHARE = 0.5;

/** What the water of a season brings; null where its report says nothing of nitrate, or no litres are known yet. */
export interface SeasonWater {
  readonly mm: number;
  readonly no3NMgL: number;
  readonly kMgL: number;
  /** whether a part of its litres is only expected */
  readonly expected: boolean;
}

/** Need of a planting with its grounds. */
export interface PlantingNeed {
  readonly yieldTHa: number;
  /** whether the planting's own aim counts, or the programme's */
  readonly aim: "planting" | "programme";
  readonly removalKgT: MainAmounts;
  readonly removalSource: string;
  readonly uptakeKgHa: MainAmounts;
  /** with the doubt that hangs on each; null where it is sure */
  readonly credits: (Credit & { readonly doubt: string | null })[];
  /** what the soil asks for of what it stores, and how that is known; null: nothing is, and as much as is removed is given */
  readonly soil: { readonly nutrient: "P" | "K"; readonly is: SoilClass; readonly from: string | null }[];
  readonly toGiveKgHa: MainAmounts;
  readonly warnings: string[];
  readonly working: WorkingStep[];
}

/** Need of a planting: what it is to be given, with where every credit is from and whether it can be trusted. */
export function plantingNeed(
  standing: Standing,
  programme: ProgrammeGrounds,
  {
    soilTests,
    water,
    digestates,
    zone,
    areaM2,
    date,
  }: {
    /** that count, up to the date */
    readonly soilTests: readonly SoilTest[];
    readonly water: SeasonWater | null;
    /** that was given since planting */
    readonly digestates: readonly DigestateGiven[];
    readonly zone: { readonly definition: ZoneDefinition };
    readonly areaM2: number;
    readonly date: string;
  },
): PlantingNeed | null {
  const { crop, planting, since } = standing;
  const own = ownAimTHa(standing, programme);
  const yieldTHa = programme.yieldTHa ?? own;
  if (yieldTHa === null) return null;
  const layers = newestLayers(soilTests, ({ mineralNKgHa }) => mineralNKgHa);
  const testedOn = layers[0]?.takenOn;
  const isOld = testedOn !== undefined && daysBetween(testedOn, date) > OLD_DAYS;
  const mineralN = layers.reduce((sum, { mineralNKgHa }) => sum + (mineralNKgHa ?? 0), 0);
  const classes = (["P", "K"] as const).map((nutrient) => ({ nutrient, ...soilFor(nutrient, programme, soilTests) }));
  const factorOf = (nutrient: "P" | "K"): number =>
    CLASS_FACTOR[classes.find((one) => one.nutrient === nutrient)?.is ?? "keep"];
  const { nKgT: N, pKgT: P, kKgT: K, source } = crop.removal;
  const { uptakeKgHa, credits, toGiveKgHa, warnings, working } = doseNeed({
    yieldTHa,
    removalKgT: { N, P, K },
    efficiencyPct: programme.efficiencyPct,
    soilFactor: { P: factorOf("P"), K: factorOf("K") },
    credits: {
      testedSoil: layers.map(({ depthCm, mineralNKgHa }) => ({
        depthCm,
        kgHa: (mineralNKgHa ?? 0) * (isOld ? OLD_SHARE : 1),
      })),
      organic: programme.organic,
      water: water ?? undefined,
      digestate: [...usableOf(digestates)],
      coated: programme.coated.map((grains) => ({
        from: grains.name,
        kgHa: scaled(
          heldBy(grains, standing, zone, areaM2, date),
          freedShare(grains, since, planting.periodsFrom(since).at(-1)?.endsOn ?? date, crop.usualC.value),
        ),
      })),
      fixationKgHa: programme.fixationKgHa ?? undefined,
      residuesKgHa: programme.residuesKgHa ?? undefined,
    },
  });
  const doubtOf = (kind: Credit["kind"]): string | null => {
    if (kind === "soil" && isOld)
      return `the test is of ${testedOn}: counted at half, its low end; a new one may change the nitrogen by ${Math.round(mineralN)} kg/ha`;
    if (kind === "water" && water?.expected) return "a part of the season's water is only expected";
    if (kind === "coated") return "by the curve of such grains at the crop’s usual warmth, assumed";
    const organicN = digestates.reduce((sum, one) => sum + one.organicNKgHa, 0);
    if (kind === "digestate" && organicN > 0)
      return `its organic nitrogen, ${organicN.toFixed(0)} kg/ha, is set free over years and not counted`;
    return null;
  };
  return {
    yieldTHa,
    aim: programme.yieldTHa === null ? "planting" : "programme",
    removalKgT: { N, P, K },
    removalSource: crop.dilution ? `${source}; nitrogen over time by ${crop.dilution.source}` : source,
    uptakeKgHa: { N: uptakeKgHa.N, P: uptakeKgHa.P, K: uptakeKgHa.K },
    credits: credits.map((credit) => ({ ...credit, doubt: doubtOf(credit.kind) })),
    soil: classes,
    toGiveKgHa: { N: toGiveKgHa.N, P: toGiveKgHa.P, K: toGiveKgHa.K },
    warnings: [...warnings],
    working: [...working],
  };
}

/** What the soil asks for of a nutrient: as somebody said, or as its newest test; else as much as is removed. */
function soilFor(
  nutrient: "P" | "K",
  { soilClass }: ProgrammeGrounds,
  tests: readonly SoilTest[],
): { readonly is: SoilClass; readonly from: string | null } {
  const said = soilClass[nutrient];
  if (said) return { is: said, from: "as said in the programme" };
  const figure = ({ pMgKg, kMgKg }: SoilTest): number | null => (nutrient === "P" ? pMgKg : kMgKg);
  // What the topsoil holds: that is where roots find it.
  const [top] = newestLayers(tests, figure);
  const mgKg = top ? figure(top) : null;
  if (top && mgKg !== null) {
    const limit = top.limits?.[nutrient === "P" ? "pMgKg" : "kMgKg"];
    const said = limit === undefined ? `${mgKg} mg/kg` : `${limit} mg/kg, of which half counts`;
    return { is: classOf(nutrient, mgKg), from: `${said}, test of ${top.takenOn}` };
  }
  return { is: "keep", from: null };
}

/** Of each digestate what a crop can use in this season. */
function usableOf(digestates: readonly DigestateGiven[]): { from: string; kgHa: MainAmounts }[] {
  return [...new Set(digestates.map(({ name }) => name))].map((name) => {
    const given = digestates.filter((one) => one.name === name);
    const organicN = given.reduce((sum, { organicNKgHa }) => sum + organicNKgHa, 0);
    return { from: name, kgHa: plus(...given.map(({ kgHa }) => kgHa), { N: -organicN, P: 0, K: 0 }) };
  });
}
