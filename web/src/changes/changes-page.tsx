import {
  CHANGE_KINDS,
  changeKindSchema,
  getChangesTable,
  type Change,
  type ChangedRecord,
  type ChangeKind,
} from "@sprunel/contract/changes";
import { addressOf } from "@sprunel/contract/basics";
import { localDate } from "@sprunel/core/time";
import { fromCanonical, unitFor } from "@sprunel/core/units";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { useSearchParams } from "react-router";
import { DateInput } from "../forms/date-input.tsx";
import { Outline } from "../parts/outline.tsx";
import { ProblemNote } from "../parts/problem.tsx";
import { clockAt } from "../place/clock-at.ts";
import { useBoard } from "../place/use-board.ts";
import { useSetUp } from "../place/use-set-up.ts";
import { useSiteTime } from "../place/use-site-time.ts";
import { useDates } from "../units/dates.tsx";
import { Measure as Figure, useUnits } from "../units/use-units.tsx";
import { showDigits, showExact } from "../units/show.ts";
import styles from "./changes.module.css";
import { changedLeaves, knownLeaves, wordsOf, type ChangedLeaf, type Leaf } from "./field-words.ts";
import { KIND_WORDS } from "./kind-words.ts";
import { useChanges, useCheck, type ChangesShown } from "./use-changes.ts";

/** Values of a record that are told at once; the others on demand. */
const AT_ONCE = 4;

/** Who changed what and when, the newest first. What is shown stands in the address. */
export function ChangesPage() {
  const [shown, choose] = useShown();
  const changes = useChanges(shown);
  const pages = changes.data?.pages ?? [];
  const all = pages.flatMap((page) => page.changes);
  return (
    <div className={styles["page"]}>
      <h1>Record of changes</h1>
      <p className={styles["lead"]}>
        Everything that was typed, read from a file or decided here, by whom, and what it was before. Nothing of it is
        ever erased. <Whole />
      </p>
      <Filters shown={shown} people={pages[0]?.people ?? []} onChoose={choose} />
      {changes.isError && <ProblemNote error={changes.error} onRetry={() => void changes.refetch()} />}
      {changes.isPending && <Outline />}
      {changes.data && all.length === 0 && (
        <p role="status">
          {Object.values(shown).some((value) => value !== null)
            ? "No change fits what is chosen above."
            : "Nothing was changed yet since this record is kept."}
        </p>
      )}
      <Days changes={all} />
      {changes.hasNextPage && (
        <Button loading={changes.isFetchingNextPage} onClick={() => void changes.fetchNextPage()}>
          Show older changes
        </Button>
      )}
    </div>
  );
}

/** Whether the record is as it was written. */
function Whole() {
  const check = useCheck().data;
  const { moment } = useSiteTime();
  if (!check || check.changes < 2) return null;
  if (check.brokenAt === null)
    return <span>Each of the {showExact(check.changes)} fits the one before it, so that none lacks in between.</span>;
  return (
    <strong className={styles["broken"]} role="alert">
      Before {moment(check.brokenAt)} something was altered or taken out, past this program.
    </strong>
  );
}

/** What is asked for, in the address: it can be sent to somebody, and the way back leads to it. */
function useShown(): [ChangesShown, (asked: Partial<ChangesShown>) => void] {
  const [search, setSearch] = useSearchParams();
  const kind = changeKindSchema.safeParse(search.get("kind"));
  const shown = {
    ...{ from: search.get("from"), to: search.get("to"), by: search.get("by"), zone: search.get("zone") },
    ...{ kind: kind.success ? kind.data : null, key: search.get("key") },
  };
  const choose = (asked: Partial<ChangesShown>): void => {
    const left = Object.entries({ ...shown, ...asked }).filter((entry): entry is [string, string] => entry[1] !== null);
    setSearch(Object.fromEntries(left), { replace: true });
  };
  return [shown, choose];
}

function Filters({
  shown,
  people,
  onChoose,
}: {
  shown: ChangesShown;
  people: readonly string[];
  onChoose(asked: Partial<ChangesShown>): void;
}) {
  const zones = useSetUp().data?.zones ?? [];
  const kinds = CHANGE_KINDS.map((kind) => ({ value: kind, label: KIND_WORDS[kind] }));
  return (
    <section className={styles["filters"]} aria-label="Which changes">
      <label>
        From
        <DateInput value={shown.from} onChange={(from) => onChoose({ from })} />
      </label>
      <label>
        Until
        <DateInput value={shown.to} onChange={(to) => onChoose({ to })} />
      </label>
      <label>
        Zone
        <Select
          allowClear
          placeholder="all zones"
          value={shown.zone}
          options={zones.map(({ id, name }) => ({ value: String(id), label: name }))}
          onChange={(zone: string | undefined) => onChoose({ zone: zone ?? null })}
        />
      </label>
      <label>
        What
        <Select
          allowClear
          showSearch={{ optionFilterProp: "label" }}
          placeholder="everything"
          value={shown.kind}
          options={kinds.toSorted((a, b) => a.label.localeCompare(b.label))}
          onChange={(kind: ChangeKind | undefined) => onChoose({ kind: kind ?? null, key: null })}
        />
      </label>
      <label>
        By
        <Select
          allowClear
          placeholder="everybody"
          value={shown.by}
          options={people.map((name) => ({ value: name, label: name }))}
          onChange={(by: string | undefined) => onChoose({ by: by ?? null })}
        />
      </label>
      <a href={addressOf(getChangesTable, {}, { ...shown })} download>
        Save as a table
      </a>
      {shown.key !== null && (
        <p>
          Only one record is shown. <Button onClick={() => onChoose({ key: null })}>Show all of its kind</Button>
        </p>
      )}
    </section>
  );
}

/** Changes under the day of the site that they were made on. */
function Days({ changes }: { changes: readonly Change[] }) {
  const timeZone = useBoard(null).data?.site?.timeZone ?? "UTC";
  const dates = useDates();
  const dateOf = ({ at }: Change): string => localDate(Date.parse(at), timeZone);
  return [...new Set(changes.map(dateOf))].map((date) => (
    <section key={date} aria-label={dates.show(date, "whole")}>
      <h2 className={styles["day"]}>{dates.show(date, "weekday-year")}</h2>
      <ol className={styles["changes"]}>
        {changes
          .filter((change) => dateOf(change) === date)
          .map((change) => (
            <li key={change.id} className={styles["change"]}>
              <span className={styles["time"]}>{clockAt(change.at, timeZone)}</span>
              <div className={styles["records"]}>
                {change.records.map((record) => (
                  <RecordChanged key={`${record.kind} ${record.key}`} record={record} zone={change.zone} />
                ))}
                {change.counts.map((count) => (
                  <Counted key={count.kind} count={count} />
                ))}
              </div>
              <span className={styles["by"]}>
                {change.by}
                {change.device.includes(".") && !change.device.includes("127.0.0.1") && `, from ${change.device}`}
                {change.fromFile && <span className="quiet"> (came with the site’s file)</span>}
              </span>
            </li>
          ))}
      </ol>
    </section>
  ));
}

function Counted({ count: { kind, ...done } }: { count: Change["counts"][number] }) {
  const words = (["added", "changed", "removed"] as const).flatMap((did) =>
    done[did] > 0 ? [`${showExact(done[did])} ${did}`] : [],
  );
  return (
    <p>
      <strong>{KIND_WORDS[kind]}</strong>: {words.join(", ")}
    </p>
  );
}

function RecordChanged({ record, zone }: { record: ChangedRecord; zone: string | null }) {
  const leaves = [...knownLeaves(record, zone), ...changedLeaves(record)];
  const [first, more] = [leaves.slice(0, AT_ONCE), leaves.slice(AT_ONCE)];
  return (
    <div>
      <p>
        <strong>{KIND_WORDS[record.kind]}</strong> {record.did}
        {zone !== null && <span className="quiet">, {zone}</span>}
      </p>
      <ul className={styles["values"]}>
        {first.map((leaf, at) => (
          <LeafChanged key={at} leaf={leaf} />
        ))}
      </ul>
      {more.length > 0 && (
        <details>
          <summary>{more.length === 1 ? "one more value" : `${more.length} more values`}</summary>
          <ul className={styles["values"]}>
            {more.map((leaf, at) => (
              <LeafChanged key={at} leaf={leaf} />
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

function LeafChanged({ leaf }: { leaf: ChangedLeaf }) {
  const { label, measure, was, is } = leaf;
  return (
    <li>
      <span className="quiet">{label}</span>{" "}
      {was !== undefined && (
        <s className={styles["was"]}>
          <Value value={was} measure={measure} />
        </s>
      )}{" "}
      {is === undefined ? <span className="quiet">taken out</span> : <Value value={is} measure={measure} />}
    </li>
  );
}

const DATE = /^\d{4}-\d\d-\d\d$/;
/** Words that the program joins, as calcium-nitrate. */
const CODE = /^[a-z]+(-[a-z0-9]+)+$/;
/** A field that is named as a value, as minGapMin among those that nobody has confirmed. */
const NAME = /^[a-z]+([A-Z][a-z0-9]*)+$/;

function Value({ value, measure }: { value: Leaf } & Pick<ChangedLeaf, "measure">) {
  const dates = useDates();
  const { moment } = useSiteTime();
  const { system } = useUnits();
  const setUp = useSetUp().data;
  if (value === null) return "not known";
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "string")
    return DATE.test(value)
      ? dates.show(value, "year")
      : CODE.test(value)
        ? value.replaceAll("-", " ")
        : NAME.test(value)
          ? wordsOf([value]).label
          : value;
  if (!measure) return showExact(value);
  if ("idOf" in measure) {
    const among = { source: setUp?.sources, zone: setUp?.zones }[measure.idOf];
    return among?.find(({ id }) => id === value)?.name ?? `no. ${value}`;
  }
  if ("instant" in measure) return moment(new Date(value).toISOString());
  if ("unit" in measure) return <Figure text={showExact(value)} unit={measure.unit} />;
  const unit = unitFor(measure.quantity, system);
  const shown = fromCanonical(measure.quantity, value, unit);
  // What was typed in other units is not told to nine digits in these.
  return <Figure text={shown === value ? showExact(value) : showDigits(shown)} unit={unit} />;
}
