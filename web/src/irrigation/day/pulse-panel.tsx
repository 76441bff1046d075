import type { DayEdit, DayPulse, SiteDay } from "@sprunel/contract/plan";
import type { Board } from "@sprunel/contract/today";
import { clockSeconds, instantOf } from "@sprunel/core/time";
import Button from "antd/es/button";
import { useState } from "react";
import { ClockInput } from "../../forms/clock-input.tsx";
import forms from "../../forms/forms.module.css";
import { clockAt } from "../../place/clock-at.ts";
import { showDigits } from "../../units/show.ts";
import { Amount } from "../../units/use-units.tsx";
import styles from "./run-of-all.module.css";

interface Props {
  readonly board: Board;
  readonly day: SiteDay;
  readonly pulse: DayPulse;
  readonly busy: boolean;
  onChange(edit: DayEdit["edit"]): void;
  onGiven(): void;
  onClose(): void;
}

/** One pulse: when, how much, what of, and what may be done with it. */
export function PulsePanel({ board, day, pulse, busy, onChange, onGiven, onClose }: Props) {
  const timeZone = board.site?.timeZone ?? "UTC";
  const { id, zoneId, name, startUtc, endUtc, litres, lh, recipe, dose, mixer, locked, byHand, state, given } = pulse;
  const at = clockAt(startUtc, timeZone);
  return (
    <section aria-label={`Pulse of ${name}`} className={styles["panel"]}>
      <h2>{name}</h2>
      <p>
        <strong>
          {at}–{clockAt(endUtc, timeZone)}
        </strong>{" "}
        · {showDigits((Date.parse(endUtc) - Date.parse(startUtc)) / 60_000)} min
        <br />
        <Amount quantity="volume" value={litres} /> at <Amount quantity="flow" value={lh} />
        {recipe !== null && (
          <>
            <br />
            {recipe}
            {mixer !== null && `, by ${mixer}`}
          </>
        )}
        {dose !== null && (
          <>
            <br />a dose goes into it
          </>
        )}
        {byHand && (
          <>
            <br />
            opened by hand
          </>
        )}
        {given && (
          <>
            <br />
            given: <Amount quantity="volume" value={given.litres} /> from {clockAt(given.startUtc, timeZone)}
          </>
        )}
      </p>
      {state === "ahead" && (
        <Start
          key={startUtc}
          at={at}
          busy={busy}
          onLock={(clock) =>
            onChange({
              kind: "lock",
              pulseId: id,
              startUtc: new Date(instantOf(day.date, clockSeconds(clock, "start"), timeZone)).toISOString(),
            })
          }
        />
      )}
      <div className={styles["acts"]}>
        {state === "ahead" && locked && (
          <Button loading={busy} onClick={() => onChange({ kind: "unlock", pulseId: id })}>
            Free it
          </Button>
        )}
        {zoneId !== null && (state === "due" || state === "missed" || state === "running") && (
          <Button type="primary" onClick={onGiven}>
            It was given
          </Button>
        )}
        {state === "due" && (
          <Button loading={busy} onClick={() => onChange({ kind: "missed", pulseId: id })}>
            It was not given
          </Button>
        )}
        {zoneId !== null && day.date >= board.today && (
          <Button loading={busy} onClick={() => onChange({ kind: "exclude", zoneId })}>
            Shut {name} today
          </Button>
        )}
        <Button type="text" onClick={onClose}>
          Close
        </Button>
      </div>
    </section>
  );
}

function Start({ at, busy, onLock }: { at: string; busy: boolean; onLock(clock: string): void }) {
  const [clock, setClock] = useState<string | null>(at);
  const isTime = clock !== null && /^([01]\d|2[0-3]):[0-5]\d$/.test(clock);
  return (
    <div className={`${forms["fields"] ?? ""} ${styles["start"] ?? ""}`}>
      <label>
        starts at
        <ClockInput label="Starts at" value={clock} onChange={setClock} />
      </label>
      <Button loading={busy} disabled={!isTime} onClick={() => isTime && onLock(clock)}>
        Lock it there
      </Button>
    </div>
  );
}
