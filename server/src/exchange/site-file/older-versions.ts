type Values = Readonly<Record<string, unknown>>;

/** How what a zone says of itself was written up to a version, and how the next one writes it. Lists need no step yet. */
interface Step {
  readonly upTo: number;
  zone(values: Values): Values;
}

/** Crops that were aimed at in kg up to version 1, and by the piece since. */
const BY_PIECE: readonly unknown[] = ["lettuce-butterhead", "cyclamen"];

const STEPS: readonly Step[] = [
  {
    // A yield was aimed at in kg, whatever the crop is sold as. How many pieces that was, nobody can tell: it is asked anew.
    upTo: 1,
    zone: ({ plantings, ...zone }) => ({
      ...zone,
      plantings: Array.isArray(plantings)
        ? plantings.map(({ targetKgM2 = null, ...planting }: Values) => ({
            ...planting,
            targetPerM2: BY_PIECE.includes(planting["cropId"]) ? null : targetKgM2,
          }))
        : plantings,
    }),
  },
];

/** What a zone of a file of some version says of itself, as a file of today says it; its contract judges the rest. */
export function zoneAsToday(zone: Values, version: number): Values {
  return STEPS.filter(({ upTo }) => version <= upTo).reduce((values, step) => step.zone(values), zone);
}
