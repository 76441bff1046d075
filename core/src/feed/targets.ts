import type { Ions } from "../chemistry/ions.ts";

/** What a stage should drink, as published or as assumed from it. */
export interface FeedTarget {
  readonly id: string;
  readonly name: string;
  /** mmol/L, µmol/L for trace elements */
  readonly ions: Ions;
  readonly ph: number;
  readonly source: string;
  readonly assumed: boolean;
}

const TRACE: Ions = { Fe: 15, Mn: 10, Zn: 5, B: 25, Cu: 0.75, Mo: 0.5 };
const CUCUMBER: Ions = { NO3: 16, H2PO4: 1.25, SO4: 1.375, NH4: 1.25, K: 8, Ca: 4, Mg: 1.375 };
const half = (ions: Ions): Ions => Object.fromEntries(Object.entries(ions).map(([ion, amount]) => [ion, amount / 2]));
const HOAGLAND: Ions = { NO3: 14, H2PO4: 1, SO4: 2, NH4: 1, K: 6, Ca: 4, Mg: 2 };

const MELON_GROWTH: FeedTarget = {
  id: "melon-growth",
  name: "Melon in substrate, growth",
  ions: { ...CUCUMBER, ...TRACE },
  ph: 5.6,
  source: "Sonneveld & Voogt (2009), cucumber in inert substrate; taken for melon",
  assumed: true,
};
const MELON_FRUIT: FeedTarget = {
  id: "melon-fruit",
  name: "Melon in substrate, fruit",
  ions: { ...CUCUMBER, ...TRACE, K: 9, Ca: 3.75, NO3: 16.5 },
  ph: 5.6,
  source: "the cucumber set with more potassium under fruit load, as Sonneveld & Voogt (2009) advise; amounts assumed",
  assumed: true,
};
const COURGETTE_GROWTH: FeedTarget = {
  id: "courgette-growth",
  name: "Courgette in soil, growth",
  ions: half({ ...HOAGLAND, ...TRACE }),
  ph: 6,
  source: "Hoagland & Arnon (1950), second solution, at half strength for soil; strength assumed",
  assumed: true,
};
const COURGETTE_FRUIT: FeedTarget = {
  id: "courgette-fruit",
  name: "Courgette in soil, picking",
  ions: { ...half({ ...HOAGLAND, ...TRACE }), K: 3.5, NO3: 7.5 },
  ph: 6,
  source: "Hoagland & Arnon (1950), second solution, at half strength with more potassium for fruit; amounts assumed",
  assumed: true,
};

const BY_STAGE: Readonly<Record<string, Readonly<Record<string, FeedTarget>>>> = {
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
};

/** The library's target of a crop's stage; null where it has none. */
export function stageTarget(cropId: string, stageId: string): FeedTarget | null {
  return BY_STAGE[cropId]?.[stageId] ?? null;
}
