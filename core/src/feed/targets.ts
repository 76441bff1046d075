import type { Ions } from "../chemistry/ions.ts";
import { CUCUMBER, HOAGLAND_2 as HOAGLAND, LETTUCE_NFT, STEINER } from "./published-targets.ts";

/** What a stage should drink, as published or as assumed from it. */
interface StageTarget {
  readonly id: string;
  readonly name: string;
  /** mmol/L, µmol/L for trace elements */
  readonly ions: Ions;
  readonly ph: number;
  readonly source: string;
  readonly assumed: boolean;
}

const TRACE: Ions = { Fe: 15, Mn: 10, Zn: 5, B: 25, Cu: 0.75, Mo: 0.5 };
const half = (ions: Ions): Ions => Object.fromEntries(Object.entries(ions).map(([ion, amount]) => [ion, amount / 2]));

const MELON_GROWTH: StageTarget = {
  id: "melon-growth",
  name: "Melon in substrate, growth",
  ions: { ...CUCUMBER, ...TRACE },
  ph: 5.6,
  source: "Sonneveld & Voogt (2009), cucumber in inert substrate; taken for melon",
  assumed: true,
};
const MELON_FRUIT: StageTarget = {
  id: "melon-fruit",
  name: "Melon in substrate, fruit",
  ions: { ...CUCUMBER, ...TRACE, K: 9, Ca: 3.75, NO3: 16.5 },
  ph: 5.6,
  source: "the cucumber set with more potassium under fruit load, as Sonneveld & Voogt (2009) advise; amounts assumed",
  assumed: true,
};
const COURGETTE_GROWTH: StageTarget = {
  id: "courgette-growth",
  name: "Courgette in soil, growth",
  ions: half({ ...HOAGLAND, ...TRACE }),
  ph: 6,
  source: "Hoagland & Arnon (1950), second solution, at half strength for soil; strength assumed",
  assumed: true,
};
const COURGETTE_FRUIT: StageTarget = {
  id: "courgette-fruit",
  name: "Courgette in soil, picking",
  ions: { ...half({ ...HOAGLAND, ...TRACE }), K: 3.5, NO3: 7.5 },
  ph: 6,
  source: "Hoagland & Arnon (1950), second solution, at half strength with more potassium for fruit; amounts assumed",
  assumed: true,
};

const scaled = (ions: Ions, share: number): Ions =>
  Object.fromEntries(Object.entries(ions).map(([ion, amount]) => [ion, Number((amount * share).toPrecision(4))]));

const LETTUCE: StageTarget = {
  id: "lettuce-float",
  name: "Lettuce on float tanks",
  ions: scaled(LETTUCE_NFT, 0.6),
  ph: 5.8,
  source:
    "Sonneveld & Voogt (2009), lettuce in circulating water, at 0.6 of its strength for float tanks; strength assumed",
  assumed: true,
};
const CYCLAMEN: StageTarget = {
  id: "pot-plants",
  name: "Flowering pot plants, constant feed",
  ions: scaled({ ...STEINER, ...TRACE }, 0.6),
  ph: 5.8,
  source: "Steiner (1984) at 0.6 of its strength; strength assumed",
  assumed: true,
};
const POT_FINISH: StageTarget = {
  id: "pot-plants-finish",
  name: "Flowering pot plants, finish",
  ions: scaled({ ...STEINER, ...TRACE }, 0.4),
  ph: 5.8,
  source: "Steiner (1984) at 0.4 of its strength before sale, so that pots keep; strength assumed",
  assumed: true,
};
const BLUEBERRY: StageTarget = {
  id: "blueberry-acid",
  name: "Blueberry in pots, acid feed",
  ions: { NH4: 2, NO3: 2, K: 2, Ca: 1, Mg: 0.75, SO4: 2.375, H2PO4: 0.75, ...TRACE },
  ph: 5,
  source: "ammonium and nitrate alike, as acid-loving bushes take both; amounts assumed",
  assumed: true,
};
const FIELD_LEAF: StageTarget = {
  id: "field-leaf",
  name: "Leaf and bulb crops in soil",
  ions: scaled({ ...HOAGLAND, ...TRACE }, 0.4),
  ph: 6.2,
  source: "Hoagland & Arnon (1950), second solution, at 0.4 of its strength for soil; strength assumed",
  assumed: true,
};

const allStages = (stages: readonly string[], target: StageTarget): Readonly<Record<string, StageTarget>> =>
  Object.fromEntries(stages.map((stage) => [stage, target]));

const BY_STAGE: Readonly<Record<string, Readonly<Record<string, StageTarget>>>> = {
  "melon-netted": {
    establishment: MELON_GROWTH,
    leaf: MELON_GROWTH,
    flowering: MELON_GROWTH,
    set: MELON_FRUIT,
    fill: MELON_FRUIT,
    ripening: MELON_FRUIT,
  },
  courgette: {
    establishment: COURGETTE_GROWTH,
    leaf: COURGETTE_GROWTH,
    flowering: COURGETTE_GROWTH,
    picking: COURGETTE_FRUIT,
    late: COURGETTE_FRUIT,
  },
  "lettuce-butterhead": allStages(["establishment", "leaf", "head"], LETTUCE),
  cyclamen: allStages(["establishment", "leaf", "bud", "flowering"], CYCLAMEN),
  kalanchoe: {
    ...allStages(["rooting", "long-days", "short-days"], CYCLAMEN),
    flowering: POT_FINISH,
  },
  blueberry: allStages(["budbreak", "flowering", "fill", "picking", "after", "leaffall", "dormant"], BLUEBERRY),
  fennel: allStages(["establishment", "leaf", "bulb", "picking"], FIELD_LEAF),
  "water-spinach": allStages(["establishment", "leaf", "cutting"], FIELD_LEAF),
};

/** The library's target of a crop's stage; null where it has none. */
export function stageTarget(cropId: string, stageId: string): StageTarget | null {
  return BY_STAGE[cropId]?.[stageId] ?? null;
}

/** For a crop that the library knows nothing of: Steiner's (1984) general solution at half strength, without trace elements. Strength assumed. */
export const GENERAL_TARGET: Pick<StageTarget, "ions" | "ph"> = { ions: half(STEINER), ph: 5.8 };
