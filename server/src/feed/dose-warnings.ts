import type { DoseProgramme } from "@sprunel/contract/feed";
import { plus, type DoseCalendar, type DosedSeason } from "@sprunel/core/feed/doses";
import { addDays } from "@sprunel/core/time";

/** What of a calendar lies before its programme came in force, and was not given either: nobody's, but told. */
export function beforeForce(
  { doses }: DoseCalendar,
  noted: readonly { readonly plannedOn: string; readonly basal: boolean }[],
  fromOn: string | null,
): string[] {
  if (fromOn === null) return [];
  const lost = doses.filter(
    ({ on, basal = false }) =>
      on < fromOn && !noted.some((record) => record.plannedOn === on && record.basal === basal),
  );
  if (lost.length === 0) return [];
  const { N, P, K } = plus(...lost.map(({ nutrientsKgHa }) => nutrientsKgHa));
  return [
    `${lost.length} of the season's doses lie before ${fromOn}, when the programme came in force, and are not in it: ${N.toFixed(1)} kg/ha of N, ${P.toFixed(1)} of P, ${K.toFixed(1)} of K.`,
  ];
}

/** Where a strength goes by light, from when on nobody knows it. */
export function withoutLight({ school, season: rule }: DoseProgramme, { days, light }: DosedSeason): string[] {
  if (school !== "constant" || rule?.policy !== "stronger-in-low-light") return [];
  const known = days.filter(({ on }) => light.has(on));
  const last = days.at(-1)?.on ?? "";
  const from = known.length === 0 ? days[0]?.on : addDays(known.at(-1)?.on ?? last, 1);
  return from !== undefined && from <= last
    ? [`The light from ${from} on is not known yet: the feed is planned at its own strength from then on.`]
    : [];
}
