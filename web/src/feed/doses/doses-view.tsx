import { addressOf as fileAddress } from "@sprunel/contract/basics";
import { getDoseTable, type DosePlan } from "@sprunel/contract/feed";
import Button from "antd/es/button";
import Skeleton from "antd/es/skeleton";
import { useState } from "react";
import { ProblemNote } from "../../http/problem.tsx";
import { SetUpLink } from "../../place/set-up-link.tsx";
import { useBoard } from "../../place/use-board.ts";
import { usePlace } from "../../place/use-place.ts";
import tables from "../../theme/tables.module.css";
import { Amount, useUnits } from "../../units/use-units.tsx";
import { DoseList } from "./dose-list.tsx";
import styles from "./doses.module.css";
import { NeedPath } from "./need-path.tsx";
import { NeedPicture, Three } from "./need-picture.tsx";
import { ProgrammeForm, SCHOOL_NAMES } from "./programme-form.tsx";
import { useDosePlan } from "./use-doses.ts";

/** What the planting needs, what it is given when and of which bags, and where it went. */
export function DosesView({ zoneId }: { zoneId: number }) {
  const { date } = usePlace();
  const found = useDosePlan(zoneId, date);
  const today = useBoard(null).data?.today;
  const [opened, setOpened] = useState(false);
  if (found.isError && !found.data) return <ProblemNote error={found.error} onRetry={() => void found.refetch()} />;
  if (!found.data || today === undefined) return <Skeleton active />;
  const plan = found.data;
  if (plan.missing === "not-planted")
    return (
      <p>
        Nothing stands here on this day, so there is nothing to give. Plant it in <SetUpLink>set-up</SetUpLink>.
      </p>
    );
  return (
    <>
      {plan.need ? (
        <NeedPicture need={plan.need} efficiencyPct={plan.programme.efficiencyPct} />
      ) : (
        <p>
          Nobody has said what yield is aimed at: say it here in t/ha, or with the planting in{" "}
          <SetUpLink>set-up</SetUpLink>. Need and doses follow from it.
        </p>
      )}
      <p className={styles["actions"]}>
        <span>
          {plan.version === null
            ? `No programme is in force${plan.need ? ": what stands here is what a usual one would give" : ""}.`
            : `In force: ${SCHOOL_NAMES[plan.programme.school]}.`}
        </span>
        <Button type={plan.version === null ? "primary" : "default"} onClick={() => setOpened(!opened)}>
          {plan.version === null ? "Make a programme" : "Change the programme"}
        </Button>
        <Button onClick={() => window.print()}>Print</Button>
        <a href={fileAddress(getDoseTable, { params: { id: zoneId } })} download>
          As a table
        </a>
      </p>
      {plan.fault !== null && (
        <p role="alert" className="act">
          The programme cannot be followed as it stands: {plan.fault}
        </p>
      )}
      {opened && <ProgrammeForm plan={plan} today={today} onDone={() => setOpened(false)} />}
      {(plan.need ?? plan.doses.length > 0) && <DoseList plan={plan} today={today} />}
      {plan.path.length > 0 && <NeedPath path={plan.path} date={plan.date} />}
      {plan.schools.length > 0 && <Schools plan={plan} />}
      {plan.ledger && <Books ledger={plan.ledger} />}
    </>
  );
}

function Schools({ plan: { schools, programme } }: { plan: DosePlan }) {
  const { show } = useUnits();
  const currency = useBoard(null).data?.site?.currency ?? "";
  return (
    <section aria-label="Schools side by side">
      <h2>The same aim by other schools</h2>
      <table className={`${tables["table"]} ${styles["schools"]}`}>
        <thead>
          <tr>
            <th scope="col">fed by</th>
            <th scope="col">N · P · K, {show("perLand", 0).unit}</th>
            <th scope="col">doses</th>
            <th scope="col">largest N of one</th>
            <th scope="col">bags cost, a m²</th>
          </tr>
        </thead>
        <tbody>
          {schools.map(({ school, totalKgHa, operations, largestNKgHa, costM2, note }) => (
            <tr key={school} aria-current={school === programme.school || undefined}>
              <td>
                {SCHOOL_NAMES[school]}
                {note !== null && <small>{note}</small>}
              </td>
              <td>
                <Three amounts={totalKgHa} />
              </td>
              <td>{operations ?? <span className="quiet">–</span>}</td>
              <td>
                {largestNKgHa === null ? (
                  <span className="quiet">–</span>
                ) : (
                  <Amount quantity="perLand" value={largestNKgHa} />
                )}
              </td>
              <td>
                {operations === null ? (
                  <span className="quiet">–</span>
                ) : costM2 === null ? (
                  <span className="quiet">a bag has no price</span>
                ) : (
                  `${costM2.toFixed(3)} ${currency}`
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const BOOKS = [
  ["given", "given in doses"],
  ["fed", "mixed into the tanks"],
  ["water", "brought by the water"],
  ["credited", "set free by soil, manure and residues, so far"],
  ["removed", "taken off with what was picked"],
  ["left", "left, or gone below"],
] as const;

function Books({ ledger }: { ledger: NonNullable<DosePlan["ledger"]> }) {
  const { show } = useUnits();
  return (
    <section aria-label="Books of nutrients">
      <h2>Where it went so far</h2>
      <table className={`${tables["table"]} ${styles["schools"]}`}>
        <tbody>
          {BOOKS.map(([key, name]) => (
            <tr key={key}>
              <td>{name}</td>
              <td>
                <Three amounts={ledger[key]} />
                {ledger[key] && <span className="quiet"> {show("perLand", 0).unit}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet">
        Left is what stands in tanks, leaf, root and soil, and what drained: these books do not tell them apart.
      </p>
    </section>
  );
}
