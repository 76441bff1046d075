import { nutrientRulesUpdateSchema, type NutrientBooks, type NutrientRules } from "@sprunel/contract/feed";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { useState } from "react";
import { Faults } from "../../forms/faults.tsx";
import forms from "../../forms/forms.module.css";
import { StaleEdit, staleOf } from "../../forms/stale-edit.tsx";
import { useChecked } from "../../forms/use-checked.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";
import styles from "./books.module.css";
import { useSaveNutrientRules } from "../doses/use-doses.ts";

const MOSTS = [
  ["totalNKgHa", "most N in a year"],
  ["organicNKgHa", "of it from manure and digestate"],
  ["totalPKgHa", "most P in a year, as the element"],
] as const;
const NOT_CLOSED = "never";
type Closed = NonNullable<NutrientRules["closed"]>;
/** A usual closed time of winter, to start from. Assumed; the form shows it to be changed. */
const WINTER = { from: "11-01", to: "01-31" };
const MONTHS = Array.from({ length: 12 }, (_, at) => ({
  value: String(at + 1).padStart(2, "0"),
  label: new Date(2024, at, 1).toLocaleDateString("en", { month: "long" }),
}));

/** What local rules allow, as the person types them: this program knows none by heart. */
export function RulesForm({ books }: { books: NutrientBooks }) {
  const save = useSaveNutrientRules();
  const [typed, setTyped] = useState<NutrientRules>(books.rules);
  const [opened, setOpened] = useState(books.version);
  const [saved, setSaved] = useState(false);
  const { send, wrong } = useChecked(nutrientRulesUpdateSchema, save, () => setSaved(true));
  // Whoever saved goes on from what was saved; whoever only looks on keeps what was opened.
  const version = save.data?.version ?? opened;
  const stale = staleOf(save.error);
  const { closed } = typed;
  const set = (change: Partial<NutrientRules>): void => {
    setSaved(false);
    setTyped({ ...typed, ...change });
  };
  return (
    <section aria-label="Rules of the place" className={styles["rules"]}>
      <h2>Rules of the place</h2>
      {stale && (
        <StaleEdit
          mine={typed}
          theirs={(stale as unknown as { rules: object }).rules}
          onKeepMine={() => send({ ...typed, version: stale.version })}
          onTakeTheirs={() => {
            setTyped((stale as unknown as { rules: NutrientRules }).rules);
            setOpened(stale.version);
            save.reset();
          }}
        />
      )}
      <div className={forms["fields"]}>
        {MOSTS.map(([key, label]) => (
          <label key={key}>
            {label}
            <QuantityInput
              label={label}
              quantity="perLand"
              value={typed[key]}
              onChange={(value) => set({ [key]: value ?? null })}
            />
          </label>
        ))}
        <label>
          closed for
          <Select<Closed["of"] | typeof NOT_CLOSED>
            aria-label="Closed for"
            value={closed?.of ?? NOT_CLOSED}
            options={[
              { value: NOT_CLOSED, label: "nothing" },
              { value: "all", label: "all nitrogen" },
              { value: "organic", label: "manure and digestate" },
            ]}
            onChange={(of) => set({ closed: of === NOT_CLOSED ? null : { ...(closed ?? WINTER), of } })}
            className="select-m"
          />
        </label>
        {closed &&
          (["from", "to"] as const).map((key) => (
            <DayOfYear
              key={key}
              label={`Closed ${key}`}
              value={closed[key]}
              onChange={(day) => set({ closed: { ...closed, [key]: day } })}
            />
          ))}
        <Button loading={save.isPending} onClick={() => send({ ...typed, version })}>
          Keep the rules
        </Button>
        {saved && <span role="status">Saved</span>}
        <Faults {...wrong} />
      </div>
      <p className="quiet">Empty where the rules say nothing. What they are, only the place’s own authority tells.</p>
    </section>
  );
}

function DayOfYear({ label, value, onChange }: { label: string; value: string; onChange(day: string): void }) {
  const [month = "01", day = ""] = value.split("-");
  return (
    <>
      <label>
        {label.toLowerCase()}
        <QuantityInput
          label={`${label}, day`}
          unit="day"
          value={day === "" ? null : Number(day)}
          onChange={(typed) => onChange(`${month}-${typed === null ? "" : String(typed).padStart(2, "0")}`)}
        />
      </label>
      <label>
        of
        <Select
          aria-label={`${label}, month`}
          value={month}
          options={MONTHS}
          onChange={(next) => onChange(`${next}-${day}`)}
          className="select-m"
        />
      </label>
    </>
  );
}
