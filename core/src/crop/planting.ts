import type { Crop } from "./crop.ts";
import type { Grown } from "./grown.ts";
import type { Nights } from "./night.ts";
import { yearBegan } from "./season.ts";
import type { StageSign } from "./stage-course.ts";
import { cropStateOn, type CropState } from "./stage-on.ts";
import { overlap, partShare, type Part, type Stood, type WaterAim } from "./stand.ts";

/** One crop's time in a zone. A zone has one after the other, or some beside each other in rows of their own. */
export interface Planting extends Nights, Stood {
  readonly cropId: string;
  /** first day without the crop; null while it stands */
  readonly clearedOn: string | null;
  readonly signs: readonly StageSign[];
  /** yield aimed at, kg or pieces per m² of its own ground, as the crop is sold */
  readonly targetPerM2?: number | null;
  /** years that a perennial's plants had when they were planted; 0 where left out */
  readonly ageYears?: number | undefined;
  /** for so many years a perennial is watered to establish; two where left out */
  readonly establishYears?: number | undefined;
  /** what it is watered for afterwards; for yield where left out */
  readonly waterAim?: Exclude<WaterAim, "establish"> | undefined;
}

/** A crop as it stands on a date. */
export interface Standing {
  readonly planting: Grown;
  readonly crop: Crop;
  readonly state: CropState;
  /** first day of its season: its planting, of a perennial the last anniversary or cut-back */
  readonly since: string;
}

/** What a planting is known by in its zone: no two begin in the same rows on one day. */
export function plantingKey({ plantedOn, part }: Pick<Planting, "plantedOn" | "part">): string {
  return part ? `${plantedOn}~${part.from}-${part.to}-${part.of}` : plantedOn;
}

/** The plantings whose place it is on a date, even past their last stage, the first planted first. */
export function plantingsOn<T extends Planting>(plantings: readonly T[], date: string): readonly T[] {
  const begun = plantings.filter(({ plantedOn }) => plantedOn <= date);
  return begun.filter(
    ({ clearedOn, part }, at) =>
      (clearedOn === null || date < clearedOn) && !begun.slice(at + 1).some((later) => overlap(part, later.part)),
  );
}

/**
 * The planting that leads its zone on a date: that with the most ground, of two alike the one planted first. Its stage says what
 * is fed and how its root zone is kept.
 *
 * @returns null before the first planting and between two
 */
export function plantingOn<T extends Planting>(plantings: readonly T[], date: string): T | null {
  return leader(plantingsOn(plantings, date), ({ part }) => part);
}

function leader<T>(all: readonly T[], partOf: (one: T) => Part | null | undefined): T | null {
  return all.reduce<T | null>(
    (most, one) => (most === null || partShare(partOf(one)) > partShare(partOf(most)) + 1e-9 ? one : most),
    null,
  );
}

/** Every room of a page asks for the same days again and again: what stood on them is kept as long as its plantings are. */
const stood = new WeakMap<readonly Grown[], Map<string, readonly Standing[]>>();

/** All that stands in a zone on a date, the first planted first. */
export function standingsOn(plantings: readonly Grown[], date: string): readonly Standing[] {
  const known = stood.get(plantings) ?? new Map<string, readonly Standing[]>();
  stood.set(plantings, known);
  const found =
    known.get(date) ??
    plantingsOn(plantings, date).flatMap((planting) => {
      const state = cropStateOn(planting, date);
      return state ? [{ planting, crop: planting.crop, state, since: yearBegan(planting, date) }] : [];
    });
  known.set(date, found);
  return found;
}

/**
 * What leads a zone on a date, of its plantings in order of time.
 *
 * @returns null before the first planting, between two, and after the last stage of one
 */
export function standingOn(plantings: readonly Grown[], date: string): Standing | null {
  return leader(standingsOn(plantings, date), ({ planting }) => planting.part);
}

/** The planting that a pick of a date came off: the oldest that is being picked; where none is, the one that leads. */
export function pickedOn(plantings: readonly Grown[], date: string): Standing | null {
  const all = standingsOn(plantings, date);
  return all.find(({ state }) => state.period.stage.picking) ?? leader(all, ({ planting }) => planting.part);
}

/** Of picks those that came off a planting. */
export function cameOff<T extends { readonly pickedOn: string }>(
  plantings: readonly Grown[],
  planting: Grown,
  picks: readonly T[],
): readonly T[] {
  if (!plantings.some(({ part }) => part)) return picks;
  return picks.filter((pick) => pickedOn(plantings, pick.pickedOn)?.planting === planting);
}

/** The day from which the root zone of a date is one: since then something has always stood in it. */
export function followedFrom(plantings: readonly Grown[], date: string): string | null {
  let first = standingOn(plantings, date)?.planting.plantedOn ?? null;
  for (;;) {
    const at: string | null = first;
    if (at === null) return null;
    // What stood beside it as it was planted had its roots in the same root zone.
    const older = standingsOn(plantings, at).find(({ planting }) => planting.plantedOn < at);
    if (!older) return at;
    first = older.planting.plantedOn;
  }
}
