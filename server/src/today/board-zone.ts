import type { Site } from "@sprunel/contract/site";
import type { BoardZone } from "@sprunel/contract/today";
import { worstMark } from "@sprunel/core/advice";
import {
  pickedOn,
  programmesOn,
  programmeSpan,
  seasonStages,
  standingOn,
  standingsOn,
  type Standing,
} from "@sprunel/core/crop";
import { goneByWarmth, pickedAmount, pickingTime, yieldPath } from "@sprunel/core/harvest";
import { findingsOf, pulsesOf, rootsOf, type ZonePlanner } from "@sprunel/core/plan";
import { addDays } from "@sprunel/core/time";
import { farOutside } from "../crop/crop-air.ts";
import { groundOf } from "../harvest/off-planting.ts";
import type { PickTotals } from "../harvest/pick-store.ts";
import type { SitePulse } from "@sprunel/core/schedule";
import type { StoredZone } from "../scope/zone-store.ts";
import { pulsesAnswer } from "../plan/pulses-answer.ts";

/** What a zone's row shows beside its plan, and when. */
interface Beside {
  readonly date: string;
  readonly nowMs: number;
  readonly picked: PickTotals;
  readonly water: BoardZone["water"];
  /** its pulses as the day of all zones has them; null where that is not planned */
  readonly together: readonly SitePulse[] | null;
}

/** One row of the board. Crop, harvest and water are told even where no weather gives a plan. */
export function boardZone(
  zone: StoredZone,
  planner: ZonePlanner,
  { date, nowMs, picked, water: supply, together }: Beside,
): BoardZone {
  const planned = planner.plan(date);
  const standing = standingOn(zone.grown, date);
  const offering = pickedOn(zone.grown, date);
  // Only a planting that is picked has a path, and is followed for it.
  const warmthOf = (): number | null =>
    offering?.state.period.stage.picking && offering.planting === standing?.planting && typeof planned !== "string"
      ? planner.roots.pickingCd(date)
      : null;
  const basics = {
    id: zone.id,
    name: zone.name,
    house: zone.house.name,
    system: zone.definition.system,
    water: supply,
    crop: standing && {
      name: standing.crop.name,
      stage: standing.state.period.name,
      day: standing.state.day,
      days: standing.state.days,
      version: zone.version,
      next: nextOf(standing),
      outside: farOutside(
        [1, 2, 3].map((ago) => planner.weatherOn(addDays(date, -ago))),
        zone,
        standing.crop,
      ),
    },
    nights: nightsAbout(planner.place, zone, date),
    harvest: offering && harvestOf(offering, groundOf(zone, offering), picked, date, warmthOf()),
  };
  if (typeof planned === "string")
    return {
      ...basics,
      mark: "steady",
      missing: planned,
      run: null,
      roots: null,
      rootsMark: "steady",
      findings: [],
      pulses: pulsesAnswer(pulsesOf(planner, null, date, together)),
    };
  const roots = rootsOf(zone, planner, planned, date, nowMs);
  const findings = findingsOf(planner, planned, roots, date);
  const markOf = (station?: string) =>
    worstMark(
      findings
        .filter((entry) => !entry.decision && (!station || entry.station === station))
        .map((entry) => entry.finding.mark),
    );
  const { water, litresPerPlant } = planned.day;
  return {
    ...basics,
    mark: markOf(),
    missing: null,
    run: {
      litres: water.litres,
      grossMm: water.litres / zone.definition.areaM2,
      litresPerPlant,
      minutes: water.minutesTotal,
      pulses: water.events.length,
      mark: markOf("run"),
    },
    roots,
    rootsMark: markOf("roots"),
    findings,
    pulses: pulsesAnswer(pulsesOf(planner, planned, date, together)),
  };
}

/** Cloth and lamps of the night before a date and of the one after it. */
function nightsAbout({ timeZone }: Pick<Site, "timeZone">, { grown }: StoredZone, date: string): BoardZone["nights"] {
  return [addDays(date, -1), date].flatMap((night) =>
    standingsOn(grown, night).flatMap(({ planting }) =>
      programmesOn(planting, night).map((programme) => {
        const [fromMs, toMs] = programmeSpan(programme, night, timeZone);
        return { kind: programme.kind, fromUtc: new Date(fromMs).toISOString(), toUtc: new Date(toMs).toISOString() };
      }),
    ),
  );
}

function nextOf({ planting, since, state: { period } }: Standing): NonNullable<BoardZone["crop"]>["next"] {
  const season = seasonStages(planting, since);
  const next = season[season.findIndex(({ id }) => id === period.id) + 1];
  return next ? { stageId: next.id, name: next.name, on: period.endsOn } : null;
}

function harvestOf(
  { crop, planting, state, since }: Standing,
  areaM2: number,
  totals: PickTotals,
  date: string,
  warmth: number | null,
): BoardZone["harvest"] {
  const time = pickingTime(planting, since);
  const target = planting.targetPerM2 ?? null;
  const picked = pickedAmount(totals, crop.soldAs) ?? 0;
  if (!time || (target === null && picked === 0)) return null;
  return {
    soldAs: crop.soldAs,
    pickedPerM2: picked / areaM2,
    pathPerM2:
      target === null
        ? null
        : yieldPath(time, target, date, crop.soldAs, warmth === null ? null : goneByWarmth(time, crop, warmth)).perM2,
    picking: state.period.stage.picking ?? false,
  };
}
