import type { ZoneCrop } from "@sprunel/contract/crop";
import { nightProgrammeSchema, type NightProgramme } from "@sprunel/contract/site";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { useState } from "react";
import { ClockInput } from "../forms/clock-input.tsx";
import { DateInput } from "../forms/date-input.tsx";
import { Faults } from "../forms/faults.tsx";
import { faultsOf } from "../forms/form-errors.ts";
import forms from "../forms/forms.module.css";
import { clockAt } from "../place/clock-at.ts";
import { showDigits } from "../units/show.ts";
import { useDates } from "../units/dates.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import { Cost } from "./cost.tsx";
import styles from "./nights.module.css";
import { ofPlanting, useMissNight, useSetNights, useTakeMissedNightBack } from "./use-crop.ts";

type Crop = ZoneCrop;
type Found = NonNullable<Crop["nights"]>;
const KIND = { cloth: "Cloth", lamps: "Lamps" } as const;
const DO = { cloth: ["draw the cloth", "open it"], lamps: ["light the lamps", "put them out"] } as const;

/** Tonight's times for cloth and lamps, what has been counted, and the nights behind it. */
export function Nights({
  crop,
  nights,
  today,
  timeZone,
  areaM2,
}: {
  crop: Crop;
  nights: Found;
  today: string;
  timeZone: string;
  areaM2: number;
}) {
  const dates = useDates();
  const { tonight, counts, nextSwitch } = nights;
  return (
    <section aria-label="Nights" className={styles["nights"]}>
      <h2>Tonight</h2>
      {tonight.spans.length > 0 ? (
        <ul className={styles["tonight"]}>
          {tonight.spans.flatMap(({ kind, fromUtc, toUtc }) => [
            <li key={fromUtc}>
              <strong>{clockAt(fromUtc, timeZone)}</strong> {DO[kind][0]}
            </li>,
            <li key={toUtc}>
              <strong>{clockAt(toUtc, timeZone)}</strong> {DO[kind][1]}
            </li>,
          ])}
        </ul>
      ) : (
        <p>Nothing to draw or to light: no programme holds tonight.</p>
      )}
      <p className="quiet">
        {showDigits(tonight.darkH)} h of unbroken dark
        {tonight.spans.length > 0 && `, ${showDigits(tonight.ownDarkH)} h of the night’s own`}
        {tonight.duskUtc && tonight.dawnUtc
          ? `; dusk ${clockAt(tonight.duskUtc, timeZone)}, dawn ${clockAt(tonight.dawnUtc, timeZone)} (civil, the sun 6° down)`
          : "; the sun does not go down and up here at this time of the year"}
        {tonight.kwhM2 !== null && (
          <>
            ; the lamps draw {showDigits(tonight.kwhM2 * areaM2)} kWh
            <Cost kwh={tonight.kwhM2 * areaM2} />
          </>
        )}
      </p>
      {counts && (
        <p>
          <strong>
            {showDigits(counts.done)} of {counts.needed} {counts.of} days
          </strong>{" "}
          under {showDigits(counts.criticalH)} h counted
          {nextSwitch && (
            <>
              ; <strong>{nextSwitch.stage.toLowerCase()}</strong> from {dates.show(nextSwitch.on, "weekday")}
            </>
          )}
          .
        </p>
      )}
      {!counts && nextSwitch && (
        <p>
          Next: {nextSwitch.stage.toLowerCase()} from {dates.show(nextSwitch.on, "weekday")}.
        </p>
      )}
      <Past crop={crop} nights={nights} />
      <Programmes crop={crop} programmes={nights.programmes} today={today} />
    </section>
  );
}

/** The nights behind: as long as each was dark, filled where it counted; pressed, one is marked as missed or taken back. */
function Past({ crop, nights: { past, counts, programmes } }: { crop: Crop; nights: Found }) {
  const dates = useDates();
  const miss = useMissNight(crop.zoneId);
  const back = useTakeMissedNightBack(crop.zoneId);
  const [chosen, setChosen] = useState<string | null>(null);
  const error = miss.error ?? back.error;
  if (past.length === 0) return null;
  const night = past.find(({ date }) => date === chosen);
  return (
    <>
      <div className={styles["past"]} role="group" aria-label="The nights behind">
        {past.map(({ date, darkH, counted, missed }) => (
          <button
            key={date}
            type="button"
            aria-pressed={date === chosen}
            aria-label={`Night of ${dates.show(date, "day")}: ${showDigits(darkH)} h dark${missed ? ", missed" : counted ? ", counted" : ""}`}
            title={`${dates.show(date, "day")}: ${showDigits(darkH)} h dark${missed ? ", missed" : ""}`}
            data-counted={counted}
            data-missed={missed}
            onClick={() => setChosen(date === chosen ? null : date)}
          >
            <i style={{ height: `${(100 * darkH) / 24}%` }} />
          </button>
        ))}
      </div>
      <p className="quiet">
        Each bar is a night, as high as it was dark{counts && "; filled ones counted"}.
        {programmes.length > 0 && " Press one on which cloth or lamps were forgotten."}
      </p>
      {night && (
        <p className={styles["chosen"]}>
          {dates.show(night.date, "weekday")}: {showDigits(night.darkH)} h dark.{" "}
          {night.missed ? (
            <Button
              loading={back.isPending}
              onClick={() => back.mutate({ on: night.date, ...ofPlanting(crop) }, { onSuccess: () => setChosen(null) })}
            >
              It was kept after all
            </Button>
          ) : (
            <Button
              loading={miss.isPending}
              onClick={() => miss.mutate({ on: night.date, ...ofPlanting(crop) }, { onSuccess: () => setChosen(null) })}
            >
              It was missed
            </Button>
          )}
        </p>
      )}
      <Faults faults={error ? faultsOf(error).map(({ message }) => message) : []} error={error} />
    </>
  );
}

type Typed = Partial<NightProgramme>;

function Programmes({ crop, programmes, today }: { crop: Crop; programmes: Found["programmes"]; today: string }) {
  const dates = useDates();
  const save = useSetNights(crop.zoneId);
  const [typed, setTyped] = useState<Typed | null>(null);
  const [faults, setFaults] = useState<string[]>([]);
  const set = (nights: NightProgramme[]): void =>
    save.mutate(
      { ...ofPlanting(crop), nights },
      {
        onSuccess: () => setTyped(null),
        onError: (error) => setFaults(faultsOf(error).map(({ message }) => message)),
      },
    );
  const add = (): void => {
    const checked = nightProgrammeSchema.safeParse({ untilOn: null, wattsM2: null, ...typed });
    setFaults(checked.success ? [] : faultsOf(checked.error).map(({ message }) => message));
    if (checked.success) set([...programmes, checked.data]);
  };
  return (
    <>
      {programmes.length > 0 && (
        <ul className={styles["programmes"]}>
          {programmes.map((programme, index) => {
            const { kind, fromOn, untilOn, start, end } = programme;
            return (
              <li key={`${kind} ${fromOn} ${start}`}>
                <span>
                  <strong>{KIND[kind]}</strong> {start} to {end}, from {dates.show(fromOn, "day")}
                  {untilOn === null ? " on" : ` to ${dates.show(untilOn, "day")}`}
                </span>
                {untilOn === null && (
                  <Button
                    type="link"
                    size="small"
                    onClick={() => set(programmes.map((one, at) => (at === index ? { ...one, untilOn: today } : one)))}
                  >
                    tonight is the last
                  </Button>
                )}
                <Button type="link" size="small" onClick={() => set(programmes.filter((_, at) => at !== index))}>
                  take out
                </Button>
              </li>
            );
          })}
        </ul>
      )}
      {typed === null ? (
        <Button onClick={() => setTyped({ kind: "cloth", fromOn: today, untilOn: null, start: "17:30", end: "08:00" })}>
          Plan cloth or lamps
        </Button>
      ) : (
        <div className={forms["fields"]}>
          <Select
            aria-label="Cloth or lamps"
            value={typed.kind ?? "cloth"}
            options={[
              { value: "cloth", label: "Cloth drawn" },
              { value: "lamps", label: "Lamps lit" },
            ]}
            onChange={(kind) => setTyped({ ...typed, kind })}
            className="select-m"
          />
          <label>
            from{" "}
            <ClockInput
              label="From the hour"
              value={typed.start ?? null}
              onChange={(start) => setTyped({ ...typed, start: start ?? "" })}
            />
          </label>
          <label>
            to{" "}
            <ClockInput
              label="To the hour"
              value={typed.end ?? null}
              onChange={(end) => setTyped({ ...typed, end: end ?? "" })}
            />
          </label>
          <label>
            first evening{" "}
            <DateInput
              label="First evening"
              value={typed.fromOn ?? null}
              onChange={(fromOn) => setTyped({ ...typed, fromOn: fromOn ?? "" })}
            />
          </label>
          <label>
            last evening{" "}
            <DateInput
              label="Last evening"
              value={typed.untilOn ?? null}
              onChange={(untilOn) => setTyped({ ...typed, untilOn })}
            />
          </label>
          {typed.kind === "lamps" && (
            <label>
              power{" "}
              <QuantityInput
                label="The lamps’ power"
                unit="W/m²"
                value={typed.wattsM2 ?? null}
                onChange={(wattsM2) => setTyped({ ...typed, wattsM2 })}
              />
            </label>
          )}
          <Button type="primary" loading={save.isPending} onClick={add}>
            Plan it
          </Button>
          <Button onClick={() => setTyped(null)}>Not now</Button>
        </div>
      )}
      <Faults faults={faults} error={faults.length > 0 ? null : save.error} />
    </>
  );
}
