import type { Practice, StageDay } from "../practice.ts";

const at = (stage: string, days = 0): StageDay => ({ stage, at: "start", days });
const before = (stage: string, days = 0): StageDay => ({ stage, at: "end", days: -days });
const after = (stage: string, days: number): StageDay => ({ stage, at: "end", days });

const BOUMAN = "Bouman, Lampayan & Tuong (2007), Water Management in Irrigated Rice, IRRI";
const YOSHIDA = "Yoshida (1981), Fundamentals of Rice Crop Science";

/** Rice that is planted into puddled soil: flooded and dried in turn, wet round its flowering. */
export const PADDY: readonly Practice[] = [
  {
    id: "puddle",
    name: "Soak, puddle and level",
    from: at("establishment", -10),
    until: at("establishment", -1),
    sign: "no clod over the water, 2 cm of it everywhere",
    source: `${BOUMAN}: land is prepared in one to two weeks`,
  },
  {
    id: "shallow",
    name: "Plant or sow; keep the water shallow",
    from: at("establishment"),
    until: at("establishment", 14),
    pond: { kind: "pond", cm: 3 },
    source: `${BOUMAN}: 2 to 5 cm until plants have recovered, about two weeks, and while weeds press`,
  },
  {
    id: "weeds",
    name: "Look for weeds: pull, or treat as the label says",
    from: at("establishment", 7),
    until: at("establishment", 21),
    source: "usual practice: before they have three leaves; assumed",
    assumed: true,
  },
  {
    id: "nitrogen-1",
    name: "Nitrogen, first third: on drained soil, then flood",
    from: at("establishment", 10),
    sign: "new roots white, leaves paler than their chart's mark",
    source: "usual practice by leaf colour in three dressings; assumed",
    assumed: true,
  },
  {
    id: "tube-1",
    name: "Flood and dry in turn, by the tube",
    from: at("establishment", 15),
    until: before("panicle", 8),
    pond: { kind: "tube" },
    sign: "water in the tube at the mark",
    source: `${BOUMAN}: safe down to 15 cm below the soil`,
  },
  {
    id: "nitrogen-2",
    name: "Nitrogen, second third: on drained soil, then flood",
    from: at("tillering", 12),
    sign: "tillers at their most, leaves paler than their chart's mark",
    source: "usual practice by leaf colour in three dressings; assumed",
    assumed: true,
  },
  {
    id: "nitrogen-3",
    name: "Nitrogen, last third: on drained soil, then flood",
    from: at("panicle"),
    sign: "panicle of 1 to 2 mm in a stem that is cut open",
    source: `${YOSHIDA}: panicle initiation`,
  },
  {
    id: "wet",
    name: "Keep wet round flowering",
    from: before("panicle", 7),
    until: after("panicle", 7),
    pond: { kind: "pond", cm: 5 },
    sign: "panicles come out of their sheaths",
    source: `${BOUMAN}: 5 cm from a week before to a week after flowering`,
  },
  {
    id: "tube-2",
    name: "Flood and dry in turn again",
    from: after("panicle", 8),
    until: before("ripening", 15),
    pond: { kind: "tube" },
    source: BOUMAN,
  },
  {
    id: "drain",
    name: "Drain for harvest",
    from: before("ripening", 14),
    pond: { kind: "drain" },
    sign: "panicles bend, the lower grains in hard dough",
    source: `${BOUMAN}: about two weeks before harvest`,
  },
  {
    id: "harvest",
    name: "Harvest",
    from: before("ripening"),
    sign: "grain at 20 to 25 % of water, four of five grains the colour of straw",
    source: "usual practice for rice, IRRI Rice Knowledge Bank",
  },
];

/** A flooded leaf crop that is cut again and again. That it may dry to the mark of rice is assumed. */
export const FLOODED_LEAF: readonly Practice[] = [
  {
    id: "puddle",
    name: "Puddle and level",
    from: at("establishment", -7),
    until: at("establishment", -1),
    source: "as for rice; assumed",
    assumed: true,
  },
  {
    id: "shallow",
    name: "Set the cuttings; keep the water shallow",
    from: at("establishment"),
    until: at("establishment", 14),
    pond: { kind: "pond", cm: 3 },
    source: "as for rice, until they have rooted; assumed",
    assumed: true,
  },
  {
    id: "nitrogen",
    name: "Nitrogen on drained soil, then flood",
    from: at("leaf", 3),
    sign: "new leaves, roots white",
    source: "usual practice; assumed",
    assumed: true,
  },
  {
    id: "tube",
    name: "Flood and dry in turn, by the tube",
    from: at("establishment", 15),
    pond: { kind: "tube" },
    source: `${BOUMAN}: 15 cm is proven for rice; assumed for this crop`,
    assumed: true,
  },
  {
    id: "drain",
    name: "Drain before the last cut",
    from: before("cutting", 7),
    pond: { kind: "drain" },
    source: "usual practice; assumed",
    assumed: true,
  },
];

const RITCHIE = "Ritchie, Hanway & Benson (1993), How a Corn Plant Develops, Iowa State University";
/** Grain maize in rows. */
export const MAIZE_ROWS: readonly Practice[] = [
  {
    id: "starter",
    name: "Sow, with a starter 5 cm beside and below the seed",
    from: at("emergence"),
    sign: "soil at 10 °C or more where the seed lies",
    source: RITCHIE,
  },
  {
    id: "side-dress",
    name: "Side-dress nitrogen, or begin to feed it with the water",
    from: at("leaf", 15),
    sign: "six leaves with collars (V6): growth becomes fast",
    source: RITCHIE,
  },
  {
    id: "no-stress",
    name: "Let it lack no water",
    from: at("silking", -14),
    until: after("silking", 14),
    sign: "tassels to brown silks: kernels are set",
    source: `${RITCHIE}: drought costs most from two weeks before to two weeks after silk`,
  },
  {
    id: "last-water",
    name: "Last irrigation",
    from: before("fill", 12),
    sign: "milk line half way down the kernel",
    source: "usual practice: what is in the soil then carries it to the black layer; assumed",
    assumed: true,
  },
  {
    id: "harvest",
    name: "Harvest",
    from: before("ripening"),
    sign: "black layer, grain at 20 to 25 % of water",
    source: RITCHIE,
  },
];

const FEHR = "Fehr & Caviness (1977), Stages of Soybean Development, Iowa State University";
/** Soya in rows. */
export const SOYA_ROWS: readonly Practice[] = [
  {
    id: "inoculate",
    name: "Inoculate and sow; starter only on poor soil",
    from: at("emergence"),
    source: "usual practice: nodules fix what it needs from about three weeks on; assumed",
    assumed: true,
  },
  {
    id: "nodules",
    name: "Dig up some plants and look at their nodules",
    from: at("leaf", 15),
    sign: "eight or more on the tap root, pink inside",
    source: "usual practice; assumed",
    assumed: true,
  },
  {
    id: "no-stress",
    name: "Let it lack no water",
    from: at("flowering", 15),
    until: before("fill", 5),
    sign: "pods of 5 mm (R3) to full seeds (R6)",
    source: `${FEHR}; drought costs most from pods to full seed`,
  },
  {
    id: "last-water",
    name: "Last irrigation",
    from: before("fill", 5),
    sign: "seeds fill the pods (R6)",
    source: FEHR,
  },
  {
    id: "harvest",
    name: "Harvest",
    from: before("ripening"),
    sign: "95 % of pods brown (R8), seed at 13 to 15 % of water",
    source: FEHR,
  },
];
