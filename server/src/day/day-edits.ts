import type { DayChange, DayEdit } from "@sprunel/contract/plan";
import { checkLock, type SiteDayInput, type SitePulse } from "@sprunel/core/schedule";
import { clockOf } from "@sprunel/core/time";
import { DomainError } from "@sprunel/core/working";
import { badInput } from "../http/problems.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { offeredOf } from "./day-answer.ts";
import type { DayEdits, KeptDay } from "./day-plan-store.ts";

interface EditedDay {
  readonly date: string;
  readonly timeZone: string;
  readonly zones: readonly StoredZone[];
  readonly kept: KeptDay;
  /** the plan of the day before */
  readonly before: KeptDay | null;
  /** what the day asks of the planner as it is kept */
  questionOf(): SiteDayInput;
}

/**
 * What a person's change makes of a day's edits and pulses, before it is planned anew.
 *
 * @throws 422 in words for what cannot be
 */
export function edited(
  { date, timeZone, zones, kept, before, questionOf }: EditedDay,
  edit: DayEdit["edit"],
): { readonly edits: DayEdits; readonly pulses: readonly SitePulse[]; readonly why: DayChange[] } {
  const { edits, plan } = kept;
  const pulseOf = (id: string, among: readonly SitePulse[] = plan.pulses): SitePulse => {
    const found = among.find((pulse) => pulse.id === id);
    if (!found) throw badInput([{ path: "edit.pulseId", message: `There is no pulse ${id} in this day any more.` }]);
    return found;
  };
  const nameOf = (zoneId: number): string => {
    const found = zones.find(({ id }) => id === zoneId);
    if (!found) throw badInput([{ path: "edit.zoneId", message: `Zone ${zoneId} does not exist.` }]);
    return found.name;
  };
  const without = (id: string): SitePulse[] => plan.pulses.filter((pulse) => pulse.id !== id);
  const same = { edits, pulses: plan.pulses, why: [] };
  switch (edit.kind) {
    case "lock": {
      const atMs = Date.parse(edit.startUtc);
      const { date: on, clockS: startS } = clockOf(atMs, timeZone);
      if (on !== date)
        throw badInput([{ path: "edit.startUtc", message: `${edit.startUtc} does not lie on ${date}.` }]);
      try {
        const locked = checkLock(questionOf(), edit.pulseId, startS);
        return { ...same, pulses: [...without(edit.pulseId), locked], why: [{ kind: "locked", name: locked.name }] };
      } catch (error) {
        if (!(error instanceof DomainError)) throw error;
        throw badInput(error.faults.map(({ path, message }) => ({ path: `edit.${path}`, message })));
      }
    }
    case "unlock": {
      const pulse = pulseOf(edit.pulseId);
      return {
        ...same,
        pulses: [...without(edit.pulseId), { ...pulse, locked: false }],
        why: [{ kind: "unlocked", name: pulse.name }],
      };
    }
    case "exclude":
      return {
        ...same,
        edits: { ...edits, excluded: [...new Set([...edits.excluded, edit.zoneId])] },
        why: [{ kind: "excluded", name: nameOf(edit.zoneId) }],
      };
    case "include":
      return {
        ...same,
        edits: { ...edits, excluded: edits.excluded.filter((id) => id !== edit.zoneId) },
        why: [{ kind: "included", name: nameOf(edit.zoneId) }],
      };
    case "missed":
      pulseOf(edit.pulseId);
      return { ...same, edits: { ...edits, missed: [...new Set([...edits.missed, edit.pulseId])] } };
    case "again":
    case "let-go": {
      const offered = offeredOf(before, edits).find(({ id }) => id === edit.pulseId);
      if (!offered || offered.zoneId === null)
        throw badInput([{ path: "edit.pulseId", message: `Nothing is offered of a pulse ${edit.pulseId}.` }]);
      const { zoneId, litres, name } = offered;
      return edit.kind === "again"
        ? {
            ...same,
            edits: { ...edits, again: [...edits.again, { pulseId: edit.pulseId, zoneId, litres }] },
            why: [{ kind: "added", name }],
          }
        : { ...same, edits: { ...edits, letGo: [...edits.letGo, edit.pulseId] } };
    }
    case "afresh":
      return same;
  }
}
