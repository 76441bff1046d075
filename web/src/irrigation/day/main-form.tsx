import { mainUpdateSchema, type Main, type MainAnswer } from "@sprunel/contract/plan";
import type { LimitKind } from "@sprunel/core/schedule";
import type { Board } from "@sprunel/contract/today";
import Button from "antd/es/button";
import { useState, type ReactNode } from "react";
import { EditDialog } from "../../forms/edit-dialog.tsx";
import { StaleEdit, staleOf } from "../../forms/stale-edit.tsx";
import { useChecked } from "../../forms/use-checked.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { ByPipe } from "./by-pipe.tsx";
import { Hands } from "./hands-part.tsx";
import { Line, missing, Part, Zones } from "./main-parts.tsx";
import { MoreOfMain } from "./more-of-main.tsx";
import { useMain, useSaveMain } from "./use-site-day.ts";

type Limit = Main["limits"][number];

const LIMITS: Readonly<Record<LimitKind, { readonly one: string; readonly fresh: string }>> = {
  pump: { one: "pump", fresh: "Pump" },
  source: { one: "source", fresh: "Source" },
  filter: { one: "filter", fresh: "Filter" },
  group: { one: "group of valves", fresh: "Group" },
};

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
      <MoreOfMain main={main} zones={zones} currency={currency} onChange={set} />
    </EditDialog>
  );
}

function limitOf(kind: LimitKind, at: number): Limit {
  const name = at === 1 ? LIMITS[kind].fresh : `${LIMITS[kind].fresh} ${at}`;
  return { kind, name, maxLh: null, maxOpen: null, kw: null, zoneIds: null };
}
