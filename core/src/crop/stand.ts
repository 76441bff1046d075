import type { Crop } from "./crop.ts";
import type { CropState } from "./stage-on.ts";

/** Rows that a planting has of a zone's: the first, the last, and how many there are. */
export interface Part {
  readonly from: number;
  readonly to: number;
  readonly of: number;
}

/** What is done to a planting's stand on a date, and holds from then on. */
export type StandStep =
  /** pots moved apart, or plants thinned out to so many on a m² of the ground that they stand on */
  | { readonly kind: "spaced"; readonly on: string; readonly plantsPerM2: number }
  /** moved on into pots that hold so much water each, L; at the same spacing where none is said */
  | {
      readonly kind: "potted-on";
      readonly on: string;
      readonly heldLPlant: number;
      readonly plantsPerM2: number | null;
    }
  /** drippers set so far from the stem, cm */
  | { readonly kind: "drippers"; readonly on: string; readonly fromStemCm: number }
  /** cut back hard to so much leaf, m²/m²; its stages begin anew after so many days of regrowth */
  | { readonly kind: "cut-back"; readonly on: string; readonly leafAreaLeft: number; readonly regrowthDays: number };

export const STAND_STEPS = [
  "spaced",
  "potted-on",
  "drippers",
  "cut-back",
] as const satisfies readonly StandStep["kind"][];

/** What is grown for: roots to establish, yield, or a planting that is only kept alive. */
export type WaterAim = "establish" | "yield" | "keep-alive";

/** A planting as far as its stand is made up of it. */
export interface Stood {
  readonly plantedOn: string;
  /** null, or left out: all of the zone */
  readonly part?: Part | null | undefined;
  /** null, or left out: its share of the zone's */
  readonly plants?: number | null | undefined;
  readonly steps?: readonly StandStep[] | undefined;
}

/** The ground of a zone and the plants that it was laid out for. */
export interface Ground {
  readonly areaM2: number;
  readonly plants: number;
}

/** A planting's stand on a date. */
export interface Stand {
  /** as planted; what was picked since stands no longer */
  readonly plants: number;
  /** share of the zone's ground that they stand on, 0 to 1 */
  readonly share: number;
  readonly perM2: number;
  /** L of water that one's pot holds since it was potted on; null before, and where it never is */
  readonly heldLPlant: number | null;
}

/** Share of a zone's ground that a planting has, 0 to 1. */
export function partShare(part: Part | null | undefined): number {
  return part ? (part.to - part.from + 1) / part.of : 1;
}

/** Whether two plantings have rows in common. */
export function overlap(one: Part | null | undefined, other: Part | null | undefined): boolean {
  if (!one || !other) return true;
  const [from, to] = [
    Math.max((one.from - 1) / one.of, (other.from - 1) / other.of),
    Math.min(one.to / one.of, other.to / other.of),
  ];
  return to - from > 1e-9;
}

/** What was last said of one kind by a date; what is of the date itself counts. */
function last<K extends StandStep["kind"]>(
  { steps = [] }: Pick<Stood, "steps">,
  date: string,
  ...kinds: readonly K[]
): Extract<StandStep, { kind: K }> | undefined {
  return steps
    .filter((step): step is Extract<StandStep, { kind: K }> => (kinds as readonly string[]).includes(step.kind))
    .filter(({ on }) => on <= date)
    .sort((one, other) => one.on.localeCompare(other.on))
    .at(-1);
}

/** How a planting stands on a date in a zone. */
export function standOn(planting: Stood, ground: Ground, date: string): Stand {
  const share = partShare(planting.part);
  const plants = planting.plants ?? ground.plants * share;
  // Pots that are changed for others on the same spot stay as far apart as they were.
  const steps = (planting.steps ?? []).filter((step) => step.kind !== "potted-on" || step.plantsPerM2 !== null);
  const perM2 = last({ steps }, date, "spaced", "potted-on")?.plantsPerM2 ?? plants / (ground.areaM2 * share);
  return {
    plants,
    perM2,
    share: Math.min(share, plants / perM2 / ground.areaM2),
    heldLPlant: last(planting, date, "potted-on")?.heldLPlant ?? null,
  };
}

/** How far the drippers are from the stem on a date, cm; null where nobody said. */
export function drippersFromStemCm(planting: Pick<Stood, "steps">, date: string): number | null {
  return last(planting, date, "drippers")?.fromStemCm ?? null;
}

/** The cut-back that a season began with, or null. */
export function cutBackOf(
  planting: Pick<Stood, "steps">,
  seasonStartOn: string,
): Extract<StandStep, { kind: "cut-back" }> | null {
  const cut = last(planting, seasonStartOn, "cut-back");
  return cut?.on === seasonStartOn ? cut : null;
}

/** The last date by another on which a planting was cut back hard; null where it never was. */
export function lastCutBack(planting: Pick<Stood, "steps">, date: string): string | null {
  return last(planting, date, "cut-back")?.on ?? null;
}

/** Bare ground evaporates so much of the reference. FAO-56, eq. 97, Kc min. */
const KC_MIN = 0.15;
/** How leaves cover ground. FAO-56, eq. 97. */
const COVER = 0.7;

/**
 * Kc of another leaf area of the same crop.
 *
 * @see FAO-56, eq. 97: Kc = Kc min + (Kc full − Kc min) · (1 − e^(−0.7·LAI))
 */
export function kcOfLeaf(kc: number, leafArea: number, asked: number): number {
  if (kc <= KC_MIN || leafArea <= 0) return kc;
  return KC_MIN + ((kc - KC_MIN) * (1 - Math.exp(-COVER * asked))) / (1 - Math.exp(-COVER * leafArea));
}

/**
 * The canopy of a planting that stands closer than it will: leaves of as many plants on less ground. The library's leaf area is
 * taken to hold at a planting's last spacing (assumed); Kc follows the leaves, up to the crop's highest.
 */
export function spreadState(state: CropState, crop: Crop, planting: Stood, ground: Ground, date: string): CropState {
  const [now, final] = [standOn(planting, ground, date).perM2, standOn(planting, ground, "9999-12-31").perM2];
  if (now === final) return state;
  const leafAreaIndex = (state.leafAreaIndex * now) / final;
  const most = Math.max(state.kc, ...crop.stages.map(({ kcEnd }) => kcEnd));
  return { ...state, leafAreaIndex, kc: Math.min(most, kcOfLeaf(state.kc, state.leafAreaIndex, leafAreaIndex)) };
}

/** One fault of a planting's stand: of which step, and in words. */
export interface StandFault {
  /** null: of the planting itself */
  readonly step: number | null;
  readonly field: string;
  readonly message: string;
}

const digits = (value: number): string => String(Number(value.toPrecision(3)));

/**
 * What cannot be of a planting's stand: rows that are not there, steps before planting, plants that do not fit their ground.
 *
 * @param perennial whether the crop can be cut back and go on
 * @param inPots whether plants stand in pots that can be changed
 */
export function standFault(
  planting: Stood,
  ground: Ground,
  { perennial, inPots }: { readonly perennial: boolean; readonly inPots: boolean },
): StandFault | null {
  const { part, steps = [], plantedOn } = planting;
  if (part && !(part.from >= 1 && part.from <= part.to && part.to <= part.of))
    return {
      step: null,
      field: "part",
      message: `Rows ${part.from} to ${part.to} of ${part.of} cannot be; give a first and a last row from 1 to ${part.of}.`,
    };
  const roomM2 = ground.areaM2 * partShare(part);
  const plants = standOn(planting, ground, plantedOn).plants;
  for (const [at, step] of steps.entries()) {
    const fault = (field: string, message: string): StandFault => ({ step: at, field, message });
    if (step.on < plantedOn)
      return fault("on", `Nothing can be done to the stand on ${step.on}, before planting on ${plantedOn}.`);
    if (steps.findIndex(({ kind, on }) => kind === step.kind && on === step.on) !== at)
      return fault("on", `The same is noted twice for ${step.on}; change the first one.`);
    if (step.kind === "potted-on" && !inPots)
      return fault("kind", "Plants of this growing system stand in no pots; they cannot be potted on.");
    if (step.kind === "cut-back" && !perennial)
      return fault("kind", "Only a perennial is cut back and goes on; clear this planting instead.");
    const perM2 = step.kind === "spaced" || step.kind === "potted-on" ? step.plantsPerM2 : null;
    if (perM2 !== null && plants / perM2 > roomM2 * 1.001)
      return fault(
        "plantsPerM2",
        `${digits(plants)} plants at ${digits(perM2)} a m² need ${digits(plants / perM2)} m², and there are ${digits(roomM2)} m²; give at least ${digits(Math.ceil((plants / roomM2) * 10) / 10)} a m².`,
      );
  }
  return null;
}
