import { savedProgrammeSchema, type DosePlan, type DoseProgramme } from "@sprunel/contract/feed";
import { UNCHANGED } from "@sprunel/core/feed/doses";
import { addDays } from "@sprunel/core/time";
import Button from "antd/es/button";
import { useState } from "react";
import { Faults } from "../../forms/faults.tsx";
import forms from "../../forms/forms.module.css";
import { useChecked } from "../../forms/use-checked.ts";
import { useDates } from "../../units/dates.tsx";
import { Amount } from "../../units/use-units.tsx";
import styles from "./doses.module.css";
import { TissueFile } from "./tissue-file.tsx";
import { TissueForm } from "./tissue-form.tsx";
import { useSaveProgramme } from "./use-doses.ts";

type Change = DoseProgramme["changes"][number];
const NOTHING = { N: 0, P: 0, K: 0 };
const NUTRIENTS = ["N", "P", "K"] as const;
const WEEK_DAYS = 7;
/** Less is not worth a dose. */
const WORTH_KG_HA = 3;

/** What the root zone holds and lost of nitrogen, and what is changed of the doses to come by that, or by a result of leaf or sap. */
export function WhileItGrows({ plan, today }: { plan: DosePlan; today: string }) {
  const dates = useDates();
  const save = useSaveProgramme(plan.zoneId);
  const [opened, setOpened] = useState<"one" | "file" | null>(null);
  const { send, wrong } = useChecked(savedProgrammeSchema, save, () => setOpened(null));
  const { nitrogen, version, programme } = plan;
  const { changes } = programme;
  const set = (next: readonly Change[]): void => send({ programme: { ...programme, changes: next }, version });
  const given = changes
    .filter(({ fromOn }) => fromOn > addDays(today, -WEEK_DAYS))
    .reduce((sum, { addKgHa }) => sum + addKgHa.N, 0);
  // What rests on a feed that nobody noted is told, and nothing is given for it.
  const lost = nitrogen && !nitrogen.assumed ? nitrogen.lostWeekKgHa - given : 0;
  if (!nitrogen && version === null) return null;
  return (
    <section aria-label="While it grows">
      <h2>While it grows</h2>
      {nitrogen && (
        <p>
          <strong>
            <Amount quantity="perLand" value={nitrogen.standingKgHa} />
          </strong>{" "}
          of nitrogen in the root zone’s water. Since planting the crop took{" "}
          <Amount quantity="perLand" value={nitrogen.takenKgHa} />, and{" "}
          <Amount quantity="perLand" value={nitrogen.lostKgHa} /> left below, over and beside.
          {nitrogen.assumed && " Since planting nobody noted a tank: its feed is counted as its target says (assumed)."}
        </p>
      )}
      {lost >= WORTH_KG_HA && (
        <p className={`act ${styles["offer"]}`}>
          <span>
            <Amount quantity="perLand" value={lost} /> of nitrogen left the root zone in seven days.
          </span>
          {version !== null && (
            <Button
              loading={save.isPending}
              onClick={() =>
                set([
                  ...changes,
                  {
                    ...{ fromOn: today, untilOn: null, factorPct: { ...UNCHANGED } },
                    addKgHa: { ...NOTHING, N: Number(lost.toFixed(1)) },
                    why: "nitrogen left the root zone",
                  },
                ])
              }
            >
              Give it with the next dose
            </Button>
          )}
        </p>
      )}
      {changes.length > 0 && (
        <ul className={styles["changes"]}>
          {changes.map((change, at) => (
            <li key={`${change.fromOn} ${change.why}`}>
              <span>
                from {dates.show(change.fromOn, "day")}: <Changed change={change} />; {change.why}
              </span>
              <Button
                type="link"
                size="small"
                aria-label={`Take out: ${change.why}`}
                onClick={() => set(changes.filter((_, place) => place !== at))}
              >
                take out
              </Button>
            </li>
          ))}
        </ul>
      )}
      {version !== null && (
        <div className={forms["actions"]}>
          {opened === null && (
            <>
              <Button onClick={() => setOpened("one")}>A result of leaf or sap</Button>
              <Button onClick={() => setOpened("file")}>Results from a file</Button>
            </>
          )}
        </div>
      )}
      {opened === "one" && (
        <TissueForm today={today} onTake={(change) => set([...changes, change])} onDone={() => setOpened(null)} />
      )}
      {opened === "file" && (
        <TissueFile today={today} onTake={(change) => set([...changes, change])} onDone={() => setOpened(null)} />
      )}
      <Faults {...wrong} />
    </section>
  );
}

function Changed({ change: { factorPct, addKgHa } }: { change: Change }) {
  const factors = NUTRIENTS.filter((nutrient) => factorPct[nutrient] !== UNCHANGED[nutrient]);
  const added = NUTRIENTS.filter((nutrient) => addKgHa[nutrient] > 0);
  return (
    <>
      {factors.map((nutrient) => (
        <span key={nutrient}>
          {nutrient} {factorPct[nutrient] > UNCHANGED[nutrient] ? "+" : "−"}
          {Math.abs(factorPct[nutrient] - UNCHANGED[nutrient]).toFixed(0)} %{" "}
        </span>
      ))}
      {added.map((nutrient) => (
        <span key={nutrient}>
          <Amount quantity="perLand" value={addKgHa[nutrient]} /> {nutrient} more, once
        </span>
      ))}
    </>
  );
}
