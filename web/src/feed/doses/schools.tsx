import type { DosePlan } from "@sprunel/contract/feed";
import type { School } from "@sprunel/core/feed/doses";
import Button from "antd/es/button";
import { useBoard } from "../../place/use-board.ts";
import tables from "../../theme/tables.module.css";
import { Amount, Measure, Price, useUnits } from "../../units/use-units.tsx";
import styles from "./doses.module.css";
import { Three } from "./need-picture.tsx";
import { SCHOOL_NAMES } from "./programme-form.tsx";

type Compared = DosePlan["schools"][number];
/** Less is rounding. */
const AS_NEEDED_KG_HA = 0.5;
const UNKNOWN = <span className="quiet">–</span>;

/** The same aim by each school: what it brings, what lies there unused, how strong it drips, its work and its cost. */
export function Schools({
  plan: { schools, programme, version },
  onUse,
}: {
  plan: DosePlan;
  /** null while a programme is being typed: it would be lost */
  onUse: ((school: School) => void) | null;
}) {
  const { show } = useUnits();
  const unit = show("perLand", 0).unit;
  return (
    <section aria-label="Schools side by side">
      <h2>The same aim by other schools</h2>
      <div className={tables["scroll"]} role="region" aria-label="Schools beside each other" tabIndex={0}>
        <table className={`${tables["table"]} ${styles["schools"]}`}>
          <thead>
            <tr>
              <th scope="col">fed by</th>
              <th scope="col">N · P · K, {unit}</th>
              <th scope="col">beyond need</th>
              <th scope="col">N in the ground at most</th>
              <th scope="col">at the dripper</th>
              <th scope="col">doses</th>
              <th scope="col">bags cost</th>
              <th scope="col" />
            </tr>
          </thead>
          <tbody>
            {schools.map((one) => {
              const inForce = one.school === programme.school;
              return (
                <tr key={one.school} aria-current={inForce || undefined}>
                  <td>
                    {SCHOOL_NAMES[one.school]}
                    {one.note !== null && <small>{one.note}</small>}
                  </td>
                  <td>
                    <Three amounts={one.totalKgHa} />
                  </td>
                  <td>
                    <Beyond {...one} />
                  </td>
                  <td>{one.aheadNKgHa === null ? UNKNOWN : <Amount quantity="perLand" value={one.aheadNKgHa} />}</td>
                  <td>{one.ecMsCm === null ? UNKNOWN : <Amount quantity="conductivity" value={one.ecMsCm} />}</td>
                  <td>
                    <Operations {...one} />
                  </td>
                  <td>
                    <Cost {...one} />
                  </td>
                  <td>
                    {onUse && !(inForce && version !== null) && one.operations !== null && (
                      <Button
                        size="small"
                        aria-label={`Use: ${SCHOOL_NAMES[one.school]}`}
                        onClick={() => onUse(one.school)}
                      >
                        Use it
                      </Button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="quiet">
        In the ground at most: what was given and not yet taken up, so that a heavy rain or a flush could take it. The
        work of a dose is the programme’s figure (assumed until set).
      </p>
    </section>
  );
}

function Beyond({ leftKgHa }: Compared) {
  if (!leftKgHa) return UNKNOWN;
  const isAsNeeded = Object.values(leftKgHa).every((kgHa) => Math.abs(kgHa) < AS_NEEDED_KG_HA);
  return isAsNeeded ? <span className="quiet">nothing</span> : <Three amounts={leftKgHa} />;
}

function Operations({ operations, workMin, largestNKgHa }: Compared) {
  if (operations === null) return UNKNOWN;
  return (
    <>
      {operations}
      {workMin !== null && (
        <small>
          <Measure text={(workMin / 60).toFixed(1)} unit="h of work" />
        </small>
      )}
      {largestNKgHa !== null && (
        <small>
          up to <Amount quantity="perLand" value={largestNKgHa} /> N
        </small>
      )}
    </>
  );
}

function Cost({ operations, costM2, costKg }: Compared) {
  const currency = useBoard(null).data?.site?.currency ?? "";
  if (operations === null) return UNKNOWN;
  if (costM2 === null) return <span className="quiet">a bag has no price</span>;
  return (
    <>
      {`${costM2.toFixed(3)} ${currency}`} <span className="quiet">a m²</span>
      {costKg !== null && (
        <small>
          <Price quantity="pricePerMass" value={costKg} currency={currency} />
        </small>
      )}
    </>
  );
}
