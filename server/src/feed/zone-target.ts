import type { Asked, FeedSettings, FeedTarget, KeptTarget } from "@sprunel/contract/feed";
import { plantingKey, standingOn, type Standing } from "@sprunel/core/crop";
import { stageTarget } from "@sprunel/core/feed/recipe";
import { ecMsCm, molarMassG } from "@sprunel/core/chemistry";
import type { Uptake } from "@sprunel/core/course";
import type { StoredZone } from "../scope/zone-store.ts";
import type { FeedStore } from "./feed-store.ts";

/** Own targets and settings of all zones. */
export type Held = Awaited<ReturnType<FeedStore["held"]>>;

/** Two concentrates of 200 L at one in a hundred: what most nurseries of this size stand on. Shown as such on the page. */
export const USUAL: FeedSettings = {
  tanks: [
    { id: "A", volumeL: 200, dilution: 100 },
    { id: "B", volumeL: 200, dilution: 100 },
  ],
  coarseG: 10,
  fineG: 0.1,
  wishes: { nh4ShareMostPct: null, limits: {}, locks: {} },
  mixed: true,
};

/** The target that was kept for what stands on a date; one of a planting before does not count. */
export function ownTarget<T extends KeptTarget>(kept: T | null | undefined, standing: Standing | null): T | null {
  return kept && kept.plantedOn === (standing?.planting.plantedOn ?? null) ? kept : null;
}

/** A target as it is kept for what stands now. */
export function keptFor(target: FeedTarget, standing: Standing | null): KeptTarget {
  return {
    ...target,
    plantedOn: standing?.planting.plantedOn ?? null,
    stageId: standing?.state.period.stage.id ?? null,
  };
}

/** A zone's tanks and scales as somebody set them; until then the usual ones, with plain water where it is fed in doses. */
export function settingsOn({ settings, dosed }: Held, { id }: StoredZone, standing: Standing | null): FeedSettings {
  return settings.get(id) ?? { ...USUAL, mixed: !standing || !dosed.has(`${id} ${plantingKey(standing.planting)}`) };
}

/** What is in the water that a zone gets on a date: of its target, where it is fed from tanks. */
export function fedOn(held: Held, zone: StoredZone, date: string): Uptake | null {
  const standing = standingOn(zone.grown, date);
  const target =
    ownTarget(held.targets.get(zone.id), standing) ?? (standing && stageTarget(standing.state.period.stage));
  if (!target || !settingsOn(held, zone, standing).mixed) return null;
  return solvedIn(target);
}

/** By what name the feed of a zone goes on a date; null where its water is plain. Zones of one name can be fed together. */
export function recipeOn(held: Held, zone: StoredZone, date: string): string | null {
  if (fedOn(held, zone, date) === null) return null;
  const standing = standingOn(zone.grown, date);
  const own = ownTarget(held.targets.get(zone.id), standing);
  if (own) return own.name ?? `own feed of ${zone.name}`;
  return standing && `${standing.crop.name}, ${standing.state.period.name.toLowerCase()}`;
}

/** Every plan of a season asks for the same few targets. */
const solved = new WeakMap<object, Uptake>();

function solvedIn(target: Pick<FeedTarget, "ions" | "ph">): Uptake {
  const known = solved.get(target);
  if (known) return known;
  const { NO3 = 0, NH4 = 0, urea = 0 } = target.ions;
  const fed = { ecMsCm: ecMsCm(target.ions, target.ph), nGM3: (NO3 + NH4 + urea) * molarMassG("N") };
  solved.set(target, fed);
  return fed;
}

/** What a zone asks for: its own target, or else the library's of its stage. */
export function askedIn(held: Held, zone: StoredZone, date: string): Asked | null {
  const standing = standingOn(zone.grown, date);
  const target =
    ownTarget(held.targets.get(zone.id), standing) ?? (standing && stageTarget(standing.state.period.stage));
  const { wishes, mixed } = settingsOn(held, zone, standing);
  if (!target || !mixed) return null;
  return { target: { ions: target.ions, ph: target.ph }, wishes };
}
