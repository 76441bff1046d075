import { newReadingSchema, type RootStation } from "@sprunel/contract/rootzone";
import type { Board, BoardZone } from "@sprunel/contract/today";
import Button from "antd/es/button";
import { useState, type ReactNode } from "react";
import { Faults } from "../forms/faults.tsx";
import { faultsOf } from "../forms/form-errors.ts";
import { useAsked, type Question } from "../forms/use-asked.ts";
import { useStored } from "../forms/use-stored.ts";
import { Walk, WalkActions, WalkAsked, WalkBefore, WalkField, WalkStop } from "../forms/walk.tsx";
import { useNoting } from "../place/use-noting.ts";
import { ageWords } from "../place/age.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import { useUnits } from "../units/use-units.tsx";
import type { ReadingField } from "../systems/reading-field.ts";
import { SYSTEM_WORDS } from "../systems/words.ts";
import { shownReading, unusualWords, type Show } from "./unusual-reading.ts";
import { bucketSharePct, NO_DRAFT, readingsOf, type Bucket, type DraftRow, type RoundDraft } from "./round-draft.ts";
import styles from "./round.module.css";
import { lastOf, useAddRound, type LastOfZone } from "./use-readings.ts";

const NO_BUCKET: Bucket = { dripMl: null, drippers: null, drainMl: null };

/**
 * A walk past the zones with pen, bucket, rule and gauge: Enter leads to the next field, what was read before stands beside
 * it, and what is far from it is asked before it is written.
 */
export function Round({ board, last }: { board: Board; last: RootStation }) {
  const { show } = useUnits();
  const noting = useNoting();
  const [draft, setDraft] = useStored<RoundDraft>("round", NO_DRAFT);
  const [faults, setFaults] = useState<readonly string[]>([]);
  const [written, setWritten] = useState(0);
  const add = useAddRound();
  const read = board.zones.filter((zone) => SYSTEM_WORDS[zone.system].readings.length > 0);
  const change = (zone: BoardZone, part: Partial<DraftRow>): void => {
    setWritten(0);
    const before = draft[zone.id] ?? { at: noting?.now ?? board.now, values: {} };
    setDraft({ ...draft, [zone.id]: { ...before, ...part } });
  };
  const questions = read.flatMap((zone) => questionsOf(zone, draft[zone.id], lastOf(last, zone.id), show));
  const { open, mayLeave, forget } = useAsked(questions);
  const save = (): void => {
    const found = open.map(({ words }) => words).concat(bucketFaults(read, draft), rangeFaults(read, draft));
    setFaults(found);
    const readings = readingsOf(draft);
    if (found.length > 0 || readings.length === 0) return;
    add.mutate(readings, {
      onSuccess: () => {
        setWritten(readings.length);
        setDraft(NO_DRAFT);
        forget();
      },
      onError: (error) => setFaults(faultsOf(error).map(({ message }) => message)),
    });
  };
  return (
    <Walk mayLeave={mayLeave}>
      <p className="quiet">
        Enter leads to the next field, with Shift to the one before; what was not read stays empty. It is kept in this
        browser until you write it.
      </p>
      {read.map((zone) => (
        <ZoneFields
          key={zone.id}
          zone={zone}
          now={board.now}
          row={draft[zone.id]}
          last={lastOf(last, zone.id)}
          open={open}
          onChange={(part) => change(zone, part)}
        />
      ))}
      <Faults faults={faults} error={add.error} />
      <WalkActions>
        <Button type="primary" size="large" data-next loading={add.isPending} onClick={save}>
          Write the round
        </Button>
        {Object.keys(draft).length > 0 && (
          <Button size="large" onClick={() => setDraft(NO_DRAFT)}>
            Throw it away
          </Button>
        )}
        {written > 0 && (
          <span role="status">Written: readings of {written === 1 ? "one zone" : `${written} zones`}.</span>
        )}
      </WalkActions>
    </Walk>
  );
}

function keyOf(zone: BoardZone, field: string): string {
  return `${zone.id} ${field}`;
}

/** What is far from the zone's own past, in words that can be answered. */
function questionsOf(zone: BoardZone, row: DraftRow | undefined, last: LastOfZone, show: Show): Question[] {
  if (!row) return [];
  const share = row.bucket && bucketSharePct(row.bucket);
  return SYSTEM_WORDS[zone.system].readings.flatMap((field) => {
    const value = field.key === "drainPct" && typeof share === "number" ? share : row.values[field.key];
    const words = typeof value === "number" ? unusualWords(field, value, last, show) : null;
    return words
      ? [
          {
            key: keyOf(zone, field.key),
            value: String(value),
            words: `${zone.name}, ${words} Correct it, or press Enter in it to keep it.`,
          },
        ]
      : [];
  });
}

function bucketFaults(zones: readonly BoardZone[], draft: RoundDraft): string[] {
  return zones.flatMap((zone) => {
    const { bucket } = draft[zone.id] ?? {};
    const share = bucket && bucketSharePct(bucket);
    return typeof share === "string" ? [`${zone.name}: ${share}`] : [];
  });
}

function rangeFaults(zones: readonly BoardZone[], draft: RoundDraft): string[] {
  return readingsOf(draft).flatMap(({ zoneId, ...reading }) => {
    const parsed = newReadingSchema.safeParse(reading);
    const name = zones.find(({ id }) => id === zoneId)?.name ?? "";
    return parsed.success ? [] : faultsOf(parsed.error).map(({ message }) => `${name}: ${message}`);
  });
}

interface FieldsProps {
  readonly zone: BoardZone;
  readonly now: string;
  readonly row: DraftRow | undefined;
  readonly last: LastOfZone;
  readonly open: readonly Question[];
  onChange(part: Partial<DraftRow>): void;
}

function ZoneFields({ zone, now, row, last, open, onChange }: FieldsProps) {
  const fields = SYSTEM_WORDS[zone.system].readings;
  return (
    <WalkStop name={zone.name}>
      {fields.map((field) =>
        field.key === "drainPct" ? (
          <BucketFields
            key={field.key}
            zone={zone}
            bucket={row?.bucket ?? NO_BUCKET}
            before={<Before field={field} now={now} last={last} />}
            question={open.find(({ key }) => key === keyOf(zone, "drainPct"))}
            onChange={(bucket) => onChange({ bucket })}
          />
        ) : (
          <WalkField
            key={field.key}
            label={field.label}
            about={keyOf(zone, field.key)}
            below={
              <>
                <Before field={field} now={now} last={last} />
                <Asked question={open.find(({ key }) => key === keyOf(zone, field.key))} />
              </>
            }
          >
            <QuantityInput
              label={`${zone.name}: ${field.label}`}
              {...(field.quantity ? { quantity: field.quantity, signed: true } : { unit: field.unit ?? "" })}
              value={row?.values[field.key] ?? null}
              onChange={(value) => onChange({ values: { ...row?.values, [field.key]: value } })}
            />
          </WalkField>
        ),
      )}
    </WalkStop>
  );
}

function BucketFields({
  zone,
  bucket,
  before,
  question,
  onChange,
}: {
  zone: BoardZone;
  bucket: Bucket;
  before: ReactNode;
  question: Question | undefined;
  onChange(bucket: Bucket): void;
}) {
  const share = bucketSharePct(bucket);
  const jug = (name: keyof Bucket, label: string, unit: string, below: ReactNode = null) => (
    <WalkField label={label} about={keyOf(zone, "drainPct")} below={below}>
      <QuantityInput
        label={`${zone.name}: ${label}`}
        unit={unit}
        value={bucket[name]}
        onChange={(value) => onChange({ ...bucket, [name]: value })}
      />
    </WalkField>
  );
  const told = (
    <>
      {typeof share === "number" ? (
        <span className={styles["share"]}>{share.toFixed(0)} % drained</span>
      ) : (
        share !== null && <WalkAsked>{share}</WalkAsked>
      )}
      {before}
      <Asked question={question} />
    </>
  );
  return (
    <>
      {jug("dripMl", "Jug under a dripper", "mL")}
      {jug("drippers", "Drippers over the tray", "")}
      {jug("drainMl", "Jug from the tray", "mL", told)}
    </>
  );
}

function Before({ field, now, last }: { field: ReadingField; now: string; last: LastOfZone }) {
  const { show } = useUnits();
  const [newest] = last[field.key] ?? [];
  if (!newest) return <WalkBefore>never read</WalkBefore>;
  return (
    <WalkBefore>
      before {shownReading(field, newest.value, show)} · {ageWords(newest.at, now)}
    </WalkBefore>
  );
}

function Asked({ question }: { question: Question | undefined }) {
  if (!question) return null;
  return <WalkAsked>Far from before. Enter keeps it.</WalkAsked>;
}
