import type { Main, MainAnswer } from "@sprunel/contract/plan";
import { USUAL_PRIORITY } from "@sprunel/core/schedule";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { Fragment } from "react";
import { QuantityInput } from "../../units/quantity-input.tsx";
import styles from "./main-form.module.css";
import { Line, missing, Part, Span } from "./main-parts.tsx";

/** When a zone must stay dry, and when it must get its water. */
const TIMES = [
  { key: "dry", word: "dry", fresh: { start: "20:00", end: "24:00" }, add: "Dry from … to …" },
  { key: "wet", word: "watered", fresh: { start: "06:00", end: "10:00" }, add: "Watered from … to …" },
] as const;

/** What few need: power by the hour, the order of zones, dry times, and water that is drawn beside them. */
export function MoreOfMain({
  main,
  zones,
  currency,
  onChange: set,
}: {
  main: Main;
  zones: MainAnswer["zones"];
  currency: string;
  onChange(change: Partial<Main>): void;
}) {
  return (
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
      <Part name="Other runs" note="Water that is drawn beside the zones: mist over cuttings, a furrow, washing down.">
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
  );
}
