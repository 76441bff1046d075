import { mainUpdateSchema, type Main, type MainAnswer } from "@sprunel/contract/plan";
import { pipeCarriesLh } from "@sprunel/core/irrigation";
import { USUAL_PRIORITY, type LimitKind } from "@sprunel/core/plan";
import type { Board } from "@sprunel/contract/today";
import Button from "antd/es/button";
import Input from "antd/es/input";
import Select from "antd/es/select";
import { Fragment, useState, type ReactNode } from "react";
import { ClockInput } from "../../forms/clock-input.tsx";
import { EditDialog } from "../../forms/edit-dialog.tsx";
import forms from "../../forms/forms.module.css";
import { StaleEdit, staleOf } from "../../forms/stale-edit.tsx";
import { useChecked } from "../../forms/use-checked.ts";
import { trySum } from "../../sums/try-sum.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { useUnits } from "../../units/use-units.tsx";
import styles from "./main-form.module.css";
import { useMain, useSaveMain } from "./use-site-day.ts";

type Limit = Main["limits"][number];
/** While it is typed a figure may be missing; what is missing is told when it is saved. */
const missing = NaN;

const LIMITS: Readonly<Record<LimitKind, { readonly one: string; readonly fresh: string }>> = {
  pump: { one: "pump", fresh: "Pump" },
  source: { one: "source", fresh: "Source" },
  filter: { one: "filter", fresh: "Filter" },
  group: { one: "group of valves", fresh: "Group" },
};

/** When a zone must stay dry, and when it must get its water. */
const TIMES = [
  { key: "dry", word: "dry", fresh: { start: "20:00", end: "24:00" }, add: "Dry from … to …" },
  { key: "wet", word: "watered", fresh: { start: "06:00", end: "10:00" }, add: "Watered from … to …" },
] as const;

/** What all zones share: asked for in five fields, the rest beside them. */
export function MainForm({ board, onClose }: { board: Board; onClose(): void }) {
  const asked = useMain().data;
  return asked ? <Form key="main" asked={asked} currency={board.site?.currency ?? ""} onClose={onClose} /> : null;
}

function Form({ asked, currency, onClose }: { asked: MainAnswer; currency: string; onClose(): void }) {
  // What comes in meanwhile takes nothing of what is typed.
  const [{ zones, ...began }] = useState(asked);
  const [version, setVersion] = useState(began.version);
  const [main, setMain] = useState<Main>(() =>
    began.main.limits.some(({ kind }) => kind === "pump")
      ? began.main
      : { ...began.main, limits: [limitOf("pump", 1), ...began.main.limits] },
  );
  const save = useSaveMain();
  const { send, wrong } = useChecked(mainUpdateSchema, save, onClose);
  const stale = staleOf(save.error);
  const set = (change: Partial<Main>): void => setMain({ ...main, ...change });
  const submit = (at = version): void => send({ ...main, version: at });
  const limitsOf = (kinds: readonly LimitKind[]) =>
    main.limits.flatMap((limit, at) => (kinds.includes(limit.kind) ? [{ limit, at }] : []));
  const setLimit = (at: number, change: Partial<Limit>): void =>
    set({ limits: main.limits.map((limit, place) => (place === at ? { ...limit, ...change } : limit)) });
  const limits = (kinds: readonly LimitKind[]): ReactNode =>
    limitsOf(kinds).map(({ limit, at }) => (
      <Line
        key={at}
        name={limit.name}
        onName={(name) => setLimit(at, { name })}
        onDrop={() => set({ limits: main.limits.filter((_, place) => place !== at) })}
      >
        <label>
          gives at most
          <QuantityInput
            label={`${limit.name} gives at most`}
            quantity="flow"
            value={limit.maxLh}
            onChange={(maxLh) => setLimit(at, { maxLh: maxLh ?? null })}
          />
        </label>
        {limit.kind === "pump" && (
          <label>
            power; empty where not known
            <QuantityInput
              label={`Power of ${limit.name}`}
              unit="kW"
              value={limit.kw}
              onChange={(kw) => setLimit(at, { kw: kw ?? null })}
            />
          </label>
        )}
        {(limit.kind === "pump" || limit.kind === "group") && (
          <label>
            open at once; empty for any
            <QuantityInput
              label={`Valves of ${limit.name} open at once`}
              unit="valves"
              value={limit.maxOpen}
              onChange={(maxOpen) => setLimit(at, { maxOpen: maxOpen ?? null })}
            />
          </label>
        )}
        {limit.kind === "group" && <ByPipe name={limit.name} onTake={(maxLh) => setLimit(at, { maxLh })} />}
        <Zones
          label={`Zones of ${limit.name}`}
          zones={zones}
          value={limit.zoneIds}
          onChange={(zoneIds) => setLimit(at, { zoneIds })}
        />
      </Line>
    ));
  const add = (kind: LimitKind): ReactNode => (
    <Button
      onClick={() =>
        set({ limits: [...main.limits, limitOf(kind, main.limits.filter((one) => one.kind === kind).length + 1)] })
      }
    >
      Add a {LIMITS[kind].one}
    </Button>
  );
  return (
    <EditDialog
      title="Pump, mixers and hands"
      width={860}
      saving={{ isPending: save.isPending, error: wrong.error }}
      faults={wrong.faults}
      onSave={() => submit()}
      onClose={onClose}
    >
      {stale && (
        <StaleEdit
          mine={main}
          theirs={(stale as unknown as { main: Main }).main}
          onKeepMine={() => {
            setVersion(stale.version);
            submit(stale.version);
          }}
          onTakeTheirs={() => {
            setMain((stale as unknown as { main: Main }).main);
            setVersion(stale.version);
            save.reset();
          }}
        />
      )}
      <Part name="Pumps">
        {limits(["pump"])}
        {add("pump")}
      </Part>
      <Part name="Sources and filters" note="What the water of zones passes beside the pump.">
        {limits(["source", "filter"])}
        {add("source")} {add("filter")}
      </Part>
      <Part name="Mixers" note="Each gives one feed at a time; without any, every zone has its own.">
        {main.mixers.map((mixer, at) => {
          const change = (next: Partial<typeof mixer>): void =>
            set({ mixers: main.mixers.map((one, place) => (place === at ? { ...one, ...next } : one)) });
          return (
            <Line
              key={at}
              name={mixer.name}
              onName={(name) => change({ name })}
              onDrop={() => set({ mixers: main.mixers.filter((_, place) => place !== at) })}
            >
              <label>
                gives at most
                <QuantityInput
                  label={`${mixer.name} gives at most`}
                  quantity="flow"
                  value={mixer.maxLh}
                  onChange={(maxLh) => change({ maxLh: maxLh ?? missing })}
                />
              </label>
              <label>
                rinse between feeds
                <QuantityInput
                  label={`Rinse of ${mixer.name}`}
                  unit="minutes"
                  value={mixer.rinseMin}
                  onChange={(rinseMin) => change({ rinseMin: rinseMin ?? missing })}
                />
              </label>
              <Zones
                label={`Zones of ${mixer.name}`}
                zones={zones}
                value={mixer.zoneIds}
                onChange={(zoneIds) => change({ zoneIds })}
              />
            </Line>
          );
        })}
        <Button
          onClick={() =>
            set({
              mixers: [
                ...main.mixers,
                { name: `Mixer ${main.mixers.length + 1}`, maxLh: missing, rinseMin: 5, zoneIds: null },
              ],
            })
          }
        >
          Add a mixer
        </Button>
      </Part>
      <Part name="Groups of valves" note="Valves that share a line, of which only some may be open together.">
        {limits(["group"])}
        {add("group")}
      </Part>
      <Hands main={main} zones={zones} onChange={(hands) => set({ hands })} />
      <details className={styles["more"]}>
        <summary>Power by the hour, order and dry times, other runs</summary>
        <Part
          name="Price of power by the hour"
          note="Every hour of the day, up to 24:00; empty where it is always the same."
        >
          {main.tariff.map((span, at) => {
            const change = (next: Partial<typeof span>): void =>
              set({ tariff: main.tariff.map((one, place) => (place === at ? { ...one, ...next } : one)) });
            return (
              <Line key={at} onDrop={() => set({ tariff: main.tariff.filter((_, place) => place !== at) })}>
                <Span what={`price ${at + 1}`} value={span} onChange={change} />
                <label>
                  a kWh
                  <QuantityInput
                    label={`Price ${at + 1}`}
                    unit={currency}
                    value={span.pricePerKwh}
                    onChange={(pricePerKwh) => change({ pricePerKwh: pricePerKwh ?? missing })}
                  />
                </label>
              </Line>
            );
          })}
          <Button
            onClick={() =>
              set({
                tariff: [
                  ...main.tariff,
                  { start: main.tariff.at(-1)?.end ?? "00:00", end: "24:00", pricePerKwh: missing },
                ],
              })
            }
          >
            Add hours
          </Button>
        </Part>
        <Part name="Order and dry times" note="The lower number is served first when not all fit; 5 where nobody said.">
          {main.rules.map((rule, at) => {
            const change = (next: Partial<typeof rule>): void =>
              set({ rules: main.rules.map((one, place) => (place === at ? { ...one, ...next } : one)) });
            const name = zones.find(({ id }) => id === rule.zoneId)?.name ?? "";
            return (
              <Line key={at} onDrop={() => set({ rules: main.rules.filter((_, place) => place !== at) })}>
                <label>
                  zone
                  <Select
                    aria-label={`Zone of rule ${at + 1}`}
                    value={rule.zoneId}
                    options={zones.map(({ id, name: label }) => ({ value: id, label }))}
                    onChange={(zoneId) => change({ zoneId })}
                    className="select-m"
                  />
                </label>
                <label>
                  place in the order
                  <QuantityInput
                    label={`Place of ${name}`}
                    unit="of 9"
                    value={rule.priority}
                    onChange={(priority) => change({ priority: priority ?? missing })}
                  />
                </label>
                {TIMES.map(({ key, word, fresh, add }) => (
                  <Fragment key={key}>
                    {rule[key].map((span, of) => (
                      <Span
                        key={of}
                        word={word}
                        what={`${word} time ${of + 1} of ${name}`}
                        value={span}
                        onChange={(next) =>
                          change({ [key]: rule[key].map((one, place) => (place === of ? { ...one, ...next } : one)) })
                        }
                      />
                    ))}
                    <Button onClick={() => change({ [key]: [...rule[key], fresh] })}>{add}</Button>
                  </Fragment>
                ))}
              </Line>
            );
          })}
          <Button
            disabled={zones.length === 0}
            onClick={() =>
              set({ rules: [...main.rules, { zoneId: zones[0]?.id ?? 0, priority: USUAL_PRIORITY, dry: [], wet: [] }] })
            }
          >
            Add a zone’s rule
          </Button>
        </Part>
        <Part
          name="Other runs"
          note="Water that is drawn beside the zones: mist over cuttings, a furrow, washing down."
        >
          {main.runs.map((run, at) => {
            const change = (next: Partial<typeof run>): void =>
              set({ runs: main.runs.map((one, place) => (place === at ? { ...one, ...next } : one)) });
            return (
              <Line
                key={at}
                name={run.name}
                onName={(name) => change({ name })}
                onDrop={() => set({ runs: main.runs.filter((_, place) => place !== at) })}
              >
                <label>
                  flow
                  <QuantityInput
                    label={`Flow of ${run.name}`}
                    quantity="flow"
                    value={run.lh}
                    onChange={(lh) => change({ lh: lh ?? missing })}
                  />
                </label>
                <label>
                  each
                  <QuantityInput
                    label={`Minutes of ${run.name}`}
                    unit="minutes"
                    value={run.minutes}
                    onChange={(minutes) => change({ minutes: minutes ?? missing })}
                  />
                </label>
                <label>
                  a day
                  <QuantityInput
                    label={`Times of ${run.name}`}
                    unit="times"
                    value={run.times}
                    onChange={(times) => change({ times: times ?? missing })}
                  />
                </label>
                <Span what={run.name} value={run} onChange={change} />
              </Line>
            );
          })}
          <Button
            onClick={() =>
              set({
                runs: [
                  ...main.runs,
                  {
                    name: `Run ${main.runs.length + 1}`,
                    lh: missing,
                    minutes: missing,
                    times: 1,
                    start: "08:00",
                    end: "18:00",
                  },
                ],
              })
            }
          >
            Add a run
          </Button>
        </Part>
      </details>
    </EditDialog>
  );
}

function limitOf(kind: LimitKind, at: number): Limit {
  const name = at === 1 ? LIMITS[kind].fresh : `${LIMITS[kind].fresh} ${at}`;
  return { kind, name, maxLh: null, maxOpen: null, kw: null, zoneIds: null };
}

const PIPE = [
  ["insideDiameterMm", "its pipe’s inside diameter", { unit: "mm" }],
  ["lengthM", "the pipe’s length", { quantity: "length" }],
  ["mostLossKpa", "pressure to spare", { quantity: "pressure" }],
] as const;

/** The flow that the pipe to a group carries, so that its valves have the pressure that their lines need. */
function ByPipe({ name, onTake }: { name: string; onTake(maxLh: number): void }) {
  const [opened, setOpened] = useState(false);
  const [pipe, setPipe] = useState<Record<(typeof PIPE)[number][0], number | null>>({
    insideDiameterMm: null,
    lengthM: null,
    mostLossKpa: null,
  });
  const { show } = useUnits();
  if (!opened)
    return (
      <Button aria-label={`By its pipe: ${name}`} onClick={() => setOpened(true)}>
        by its pipe
      </Button>
    );
  const { insideDiameterMm, lengthM, mostLossKpa } = pipe;
  const carries =
    insideDiameterMm === null || lengthM === null || mostLossKpa === null
      ? null
      : trySum(() => pipeCarriesLh({ insideDiameterMm, lengthM, mostLossKpa }));
  return (
    <>
      {PIPE.map(([key, label, typed]) => (
        <label key={key}>
          {label}
          <QuantityInput
            label={`${label}, ${name}`}
            {...typed}
            value={pipe[key]}
            onChange={(value) => setPipe({ ...pipe, [key]: value ?? null })}
          />
        </label>
      ))}
      <p role="status">
        {carries === null
          ? "Pressure to spare is that at the pipe’s beginning less the most that one of the valves’ lines needs."
          : typeof carries === "string"
            ? carries
            : `It carries ${show("flow", carries).text} ${show("flow", carries).unit}, at no more than 1.5 m/s.`}
      </p>
      {typeof carries === "number" && (
        <Button
          onClick={() => {
            onTake(carries);
            setOpened(false);
          }}
        >
          Take it
        </Button>
      )}
    </>
  );
}

/** Who opens valves by hand, and when. */
function Hands({
  main: { hands },
  zones,
  onChange,
}: {
  main: Main;
  zones: MainAnswer["zones"];
  onChange(hands: Main["hands"]): void;
}) {
  if (!hands)
    return (
      <Part name="Hand valves">
        <Button
          onClick={() =>
            onChange({
              zoneIds: zones.map(({ id }) => id),
              hours: [{ start: "07:00", end: "12:00" }],
              reach: 1,
              walkMin: 2,
            })
          }
        >
          Some valves are opened by hand
        </Button>
      </Part>
    );
  const set = (change: Partial<typeof hands>): void => onChange({ ...hands, ...change });
  return (
    <Part name="Hand valves">
      <Line name={null} onDrop={() => onChange(null)}>
        <Zones
          label="Zones with hand valves"
          zones={zones}
          value={hands.zoneIds}
          onChange={(ids) => set({ zoneIds: ids ?? zones.map(({ id }) => id) })}
        />
        {hands.hours.map((span, at) => (
          <Span
            key={at}
            what={`hours ${at + 1}`}
            value={span}
            onChange={(next) =>
              set({ hours: hands.hours.map((one, place) => (place === at ? { ...one, ...next } : one)) })
            }
          />
        ))}
        <Button onClick={() => set({ hours: [...hands.hours, { start: "14:00", end: "18:00" }] })}>More hours</Button>
        <label>
          minded at once
          <QuantityInput
            label="Hand valves minded at once"
            unit="valves"
            value={hands.reach}
            onChange={(reach) => set({ reach: reach ?? missing })}
          />
        </label>
        <label>
          from valve to valve
          <QuantityInput
            label="From valve to valve"
            unit="minutes"
            value={hands.walkMin}
            onChange={(walkMin) => set({ walkMin: walkMin ?? missing })}
          />
        </label>
      </Line>
    </Part>
  );
}

function Part({ name, note, children }: { name: string; note?: string; children: ReactNode }) {
  return (
    <fieldset className={styles["part"]}>
      <legend>{name}</legend>
      {note !== undefined && <p className="quiet">{note}</p>}
      {children}
    </fieldset>
  );
}

/** One of them, with its name where it has one, and a way to take it out. */
function Line({
  name,
  onName,
  onDrop,
  children,
}: {
  name?: string | null;
  onName?(name: string): void;
  onDrop(): void;
  children: ReactNode;
}) {
  return (
    <div className={`${forms["fields"] ?? ""} ${styles["line"] ?? ""}`}>
      {onName && (
        <label>
          name
          <Input
            aria-label={`Name of ${name ?? ""}`}
            value={name ?? ""}
            onChange={({ target }) => onName(target.value)}
          />
        </label>
      )}
      {children}
      <Button type="text" aria-label={`Take out${name ? `: ${name}` : ""}`} onClick={onDrop}>
        take out
      </Button>
    </div>
  );
}

/** Which zones; empty: every one of them. */
function Zones({
  label,
  zones,
  value,
  onChange,
}: {
  label: string;
  zones: MainAnswer["zones"];
  value: readonly number[] | null;
  onChange(zoneIds: number[] | null): void;
}) {
  return (
    <label className={styles["zones"]}>
      zones
      <Select
        aria-label={label}
        mode="multiple"
        placeholder="every zone"
        maxTagCount={1}
        maxTagPlaceholder={(more) => `and ${more.length} more`}
        value={value === null ? [] : [...value]}
        options={zones.map(({ id, name }) => ({ value: id, label: name }))}
        showSearch={{ optionFilterProp: "label" }}
        onChange={(ids: number[]) => onChange(ids.length === 0 ? null : ids)}
      />
    </label>
  );
}

function Span({
  word,
  what,
  value,
  onChange,
}: {
  /** what it is a time of, where several kinds stand on a line */
  word?: string;
  what: string;
  value: { readonly start: string; readonly end: string };
  onChange(change: { start?: string; end?: string }): void;
}) {
  return (
    <>
      <label>
        {word} from
        <ClockInput
          label={`From, ${what}`}
          value={value.start}
          onChange={(start) => onChange({ start: start ?? "" })}
        />
      </label>
      <label>
        to
        <ClockInput label={`To, ${what}`} ends value={value.end} onChange={(end) => onChange({ end: end ?? "" })} />
      </label>
    </>
  );
}
