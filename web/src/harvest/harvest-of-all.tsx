import type { DayPicks, NewPicks, PickedZone } from "@sprunel/contract/harvest";
import type { Board } from "@sprunel/contract/today";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { Outline } from "../parts/outline.tsx";
import { useState } from "react";
import { Link } from "react-router";
import { Faults } from "../forms/faults.tsx";
import { faultsOf } from "../forms/form-errors.ts";
import { useAsked, type Question } from "../forms/use-asked.ts";
import { useStored } from "../forms/use-stored.ts";
import { Walk, WalkActions, WalkAsked, WalkBefore, WalkField, WalkStop } from "../forms/walk.tsx";
import { ProblemNote } from "../parts/problem.tsx";
import { TargetBar } from "../parts/small-bars.tsx";
import { usePlace } from "../place/use-place.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import { Amount, useUnits } from "../units/use-units.tsx";
import { Yield } from "../units/yield.tsx";
import styles from "./harvest-of-all.module.css";
import { unusualPick } from "./unusual-pick.ts";
import { useAddPicks, useDayPicks } from "./use-harvest.ts";
import { useDates } from "../units/dates.tsx";
import { newKey } from "../forms/new-key.ts";
import { SetUpLink } from "../place/set-up-link.tsx";

/** What came off each zone on a day, typed in one grid, and how each stands against its target. */
export function HarvestOfAll({ board }: { board: Board }) {
  const dates = useDates();
  const { date } = usePlace();
  const picks = useDayPicks(date);
  if (picks.isError && !picks.data) return <ProblemNote error={picks.error} onRetry={() => void picks.refetch()} />;
  if (!picks.data) return <Outline />;
  const planted = picks.data.zones.filter(({ crop }) => crop !== null);
  const isToday = picks.data.date === board.today;
  return (
    <>
      <h1>{isToday ? "Today’s picks" : `Picks of ${dates.show(picks.data.date, "weekday-long")}`}</h1>
      {planted.length === 0 ? (
        <p>
          Nothing stands in any zone on this day, so there is nothing to pick.{" "}
          <SetUpLink of="new">Give a crop and its planting date</SetUpLink>.
        </p>
      ) : picks.data.date > board.today ? (
        <p>This day is still to come; picks are noted from its morning on.</p>
      ) : (
        <Grid key={picks.data.date} day={picks.data} planted={planted} />
      )}
    </>
  );
}

interface Noted {
  /** one key for one pick: sent again after a lost answer, it is still one */
  readonly key: string;
  readonly massKg: number | null;
  readonly count: number | null;
  readonly grade: string;
}
type Draft = Readonly<Record<string, Noted>>;
const NOTHING: Draft = {};

function Grid({ day, planted }: { day: DayPicks; planted: readonly PickedZone[] }) {
  const { show } = useUnits();
  const [draft, setDraft] = useStored<Draft>(`picks.${day.date}`, NOTHING);
  const [faults, setFaults] = useState<readonly { path: string; message: string }[]>([]);
  const [written, setWritten] = useState(0);
  const add = useAddPicks();
  const noted = planted.flatMap((zone) => {
    const pick = draft[zone.zoneId];
    return pick && (pick.massKg !== null || pick.count !== null) ? [{ zone, pick }] : [];
  });
  const asked = useAsked(
    noted.flatMap(({ zone, pick }) =>
      unusualPick(pick, zone.past, piecesOf(zone), show).map(({ field, words }) => ({
        key: `${zone.zoneId} ${field}`,
        value: String(pick[field]),
        words: `${zone.name}: ${words} Correct it, or press Enter in it to keep it.`,
      })),
    ),
  );
  const change = (zone: PickedZone, part: Partial<Noted>): void => {
    setWritten(0);
    const before = draft[zone.zoneId] ?? {
      key: newKey(),
      massKg: null,
      count: null,
      grade: zone.past[0]?.grade ?? "",
    };
    setDraft({ ...draft, [zone.zoneId]: { ...before, ...part } });
  };
  const save = (): void => {
    setFaults(asked.open.map(({ words }) => ({ path: "", message: words })));
    if (noted.length === 0 || asked.open.length > 0) return;
    const picks: NewPicks["picks"] = noted.map(({ zone, pick: { grade, ...pick } }) => ({
      ...pick,
      zoneId: zone.zoneId,
      pickedOn: day.date,
      clock: null,
      grade: grade.trim() || null,
      brixPct: null,
    }));
    add.mutate(picks, {
      onSuccess: () => {
        setWritten(picks.length);
        setDraft(NOTHING);
        asked.forget();
      },
      onError: (error) =>
        setFaults(
          faultsOf(error).map(({ path, message }) => ({
            path: String(noted[Number(/^picks\.(\d+)/.exec(path)?.[1])]?.zone.zoneId ?? ""),
            message,
          })),
        ),
    });
  };
  const sorted = [...planted].sort((a, b) => Number(b.picking) - Number(a.picking));
  return (
    <Walk mayLeave={asked.mayLeave}>
      <p className="quiet">Enter leads to the next field; a zone without a pick stays empty.</p>
      {sorted.map((zone) => (
        <ZoneFields
          key={zone.zoneId}
          zone={zone}
          noted={draft[zone.zoneId]}
          asked={asked.open}
          faults={faults.filter(({ path }) => path === String(zone.zoneId)).map(({ message }) => message)}
          onChange={(part) => change(zone, part)}
        />
      ))}
      <Faults
        faults={faults.filter(({ path }) => path === "").map(({ message }) => message)}
        error={faults.length === 0 ? add.error : null}
      />
      <WalkActions>
        <Button
          type="primary"
          size="large"
          data-next
          loading={add.isPending}
          disabled={noted.length === 0}
          onClick={save}
        >
          {noted.length > 1 ? `Write ${noted.length} picks` : "Write the pick"}
        </Button>
        {written > 0 && <span role="status">Written: {written === 1 ? "one pick" : `${written} picks`}.</span>}
        <Link to="/import/picks">Import picks from a file</Link>
      </WalkActions>
    </Walk>
  );
}

function ZoneFields({
  zone,
  noted,
  asked,
  faults,
  onChange,
}: {
  zone: PickedZone;
  noted: Noted | undefined;
  asked: readonly Question[];
  faults: readonly string[];
  onChange(part: Partial<Noted>): void;
}) {
  const { name, soldAs, past } = zone;
  const [before] = past;
  const pieces = piecesOf(zone);
  const asks = (field: "massKg" | "count") =>
    asked.some(({ key }) => key === `${zone.zoneId} ${field}`) && (
      <WalkAsked>Far from before. Enter keeps it.</WalkAsked>
    );
  const mass = (
    <WalkField
      key="mass"
      label={soldAs.kind === "mass" ? "Mass" : "Mass, if weighed"}
      about={`${zone.zoneId} massKg`}
      below={
        <>
          {before?.massKg != null && (
            <WalkBefore>
              before <Amount quantity="mass" value={before.massKg} />
            </WalkBefore>
          )}
          {asks("massKg")}
        </>
      }
    >
      <QuantityInput
        label={`${name}: mass`}
        quantity="mass"
        value={noted?.massKg ?? null}
        onChange={(massKg) => onChange({ massKg })}
      />
    </WalkField>
  );
  const count = (
    <WalkField
      key="count"
      label={soldAs.kind === "mass" ? "Count, if counted" : "Count"}
      about={`${zone.zoneId} count`}
      below={
        <>
          {before?.count != null && (
            <WalkBefore>
              before {before.count} {pieces}
            </WalkBefore>
          )}
          {asks("count")}
        </>
      }
    >
      <QuantityInput
        label={`${name}: ${pieces}`}
        unit={pieces}
        value={noted?.count ?? null}
        onChange={(value) => onChange({ count: value })}
      />
    </WalkField>
  );
  return (
    <WalkStop name={name} aside={<Standing zone={zone} />}>
      {soldAs.kind === "mass" ? [mass, count] : [count, mass]}
      <WalkField
        label="Grade"
        about={`${zone.zoneId} grade`}
        below={before?.grade != null && <WalkBefore>before {before.grade}</WalkBefore>}
      >
        <Input
          aria-label={`${name}: grade`}
          className={styles["grade"] ?? ""}
          maxLength={40}
          value={noted?.grade ?? ""}
          onChange={(event) => onChange({ grade: event.target.value })}
        />
      </WalkField>
      <div>
        {faults.map((fault) => (
          <WalkAsked key={fault}>{fault}</WalkAsked>
        ))}
        <Day zone={zone} />
      </div>
    </WalkStop>
  );
}

function piecesOf({ soldAs }: PickedZone): string {
  return soldAs.kind === "piece" ? soldAs.many : "fruit";
}

/** What was noted on this day already. */
function Day({ zone: { picks, soldAs } }: { zone: PickedZone }) {
  if (picks.length === 0) return null;
  return (
    <ul className={styles["day"]} aria-label="Noted already">
      {picks.map(({ id, massKg, count, grade }) => (
        <li key={id}>
          {massKg !== null && <Amount quantity="mass" value={massKg} />}
          {massKg !== null && count !== null && " · "}
          {count !== null && `${count} ${soldAs.kind === "piece" ? soldAs.many : "fruit"}`}
          {grade !== null && ` · ${grade}`}
        </li>
      ))}
    </ul>
  );
}

/** Picked so far of the planting, against its target's path. */
function Standing({ zone }: { zone: PickedZone }) {
  const { addressOf } = usePlace();
  const { soldAs, pickedPerM2, pathPerM2, targetPerM2, picking } = zone;
  return (
    <span className={styles["standing"]}>
      {!picking && pickedPerM2 === 0 ? (
        <span className="quiet">not picked yet</span>
      ) : (
        <>
          <span>
            <Yield soldAs={soldAs} perM2={pickedPerM2} />{" "}
            {pathPerM2 !== null && (
              <span className="quiet">
                of <Yield soldAs={soldAs} perM2={pathPerM2} /> by now
              </span>
            )}
          </span>
          {targetPerM2 !== null && pathPerM2 !== null && (
            <TargetBar value={pickedPerM2} from={0} to={pathPerM2} most={targetPerM2} />
          )}
        </>
      )}
      <Link to={addressOf({ zoneId: zone.zoneId })}>{zone.crop}</Link>
    </span>
  );
}
