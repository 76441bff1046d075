import type { DosePlan, DoseProgramme } from "@sprunel/contract/feed";
import type { ZoneReport } from "@sprunel/contract/rootzone";
import type { Standing } from "@sprunel/core/crop";
import { doseNeed } from "@sprunel/core/feed";
import { daysBetween } from "@sprunel/core/time";

type Need = NonNullable<DosePlan["need"]>;
type NeedCredit = Need["credits"][number];

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

/** What a planting is to be given, with where every credit is from and whether it can be trusted. */
export function needOf(
  { crop, planting }: Standing,
  programme: DoseProgramme,
  {
    soil,
    water,
    date,
  }: { readonly soil: ZoneReport | undefined; readonly water: SeasonWater | null; readonly date: string },
): Need | null {
  const own = crop.soldAs.kind === "mass" ? (planting.targetPerM2 ?? null) : null;
  const yieldTHa = programme.yieldTHa ?? (own === null ? null : own * KG_M2_TO_T_HA);
  if (yieldTHa === null) return null;
  const tested = soil?.kind === "soil" ? soil : null;
  const mineralN = tested?.mineralNKgHa ?? null;
  const age = soil ? daysBetween(soil.takenOn, date) : 0;
  const isOld = age > OLD_DAYS;
  const counted = mineralN === null ? null : isOld ? mineralN * OLD_SHARE : mineralN;
  const { nKgT: N, pKgT: P, kKgT: K, source } = crop.removal;
  const { uptakeKgHa, credits, toGiveKgHa, warnings, working } = doseNeed({
    yieldTHa,
    removalKgT: { N, P, K },
    efficiencyPct: programme.efficiencyPct,
    credits: {
      testedSoil: counted === null ? undefined : { depthCm: tested?.depthCm ?? null, kgHa: counted },
      organic: programme.organic,
      water: water ?? undefined,
      fixationKgHa: programme.fixationKgHa ?? undefined,
      residuesKgHa: programme.residuesKgHa ?? undefined,
    },
  });
  const doubtOf = (kind: NeedCredit["kind"]): string | null => {
    if (kind === "soil" && isOld && soil)
      return `the test is of ${soil.takenOn}: counted at half, its low end; a new one may change the nitrogen by ${Math.round(mineralN ?? 0)} kg/ha`;
    if (kind === "water" && water?.expected) return "a part of the season's water is only expected";
    return null;
  };
  return {
    yieldTHa,
    aim: programme.yieldTHa === null ? "planting" : "programme",
    removalKgT: { N, P, K },
    removalSource: source,
    uptakeKgHa: { N: uptakeKgHa.N, P: uptakeKgHa.P, K: uptakeKgHa.K },
    credits: credits.map((credit) => ({ ...credit, doubt: doubtOf(credit.kind) })),
    toGiveKgHa: { N: toGiveKgHa.N, P: toGiveKgHa.P, K: toGiveKgHa.K },
    warnings: [...warnings],
    working: [...working],
  };
}

const KG_M2_TO_T_HA = 10;
