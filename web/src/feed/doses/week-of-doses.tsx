import { Told } from "../../units/told.ts";
import { Outline } from "../../parts/outline.tsx";
import { Link } from "react-router";
import { ProblemNote } from "../../parts/problem.tsx";
import { usePlace } from "../../place/use-place.ts";
import tables from "../../theme/tables.module.css";
import { useDates } from "../../units/dates.tsx";
import { useUnits } from "../../units/use-units.tsx";
import { Bags, WHOLE } from "./bags.tsx";
import styles from "./doses.module.css";
import { Three } from "./need-picture.tsx";
import { useWeekOfDoses } from "./use-doses.ts";

/** What is to be given in every zone in the week from the date on, and what was left undone. */
export function WeekOfDoses() {
  const { date, addressOf } = usePlace();
  const dates = useDates();
  const { show } = useUnits();
  const week = useWeekOfDoses(date);
  if (week.isError && !week.data) return <ProblemNote error={week.error} onRetry={() => void week.refetch()} />;
  if (!week.data) return <Outline />;
  const doses = week.data.zones.flatMap(({ doses: own, ...zone }) => own.map((dose) => ({ ...zone, dose })));
  if (week.data.zones.length === 0)
    return (
      <p>
        No zone is fed in doses yet. Open Feed of a zone, <em>Doses</em>, and make a programme: need and calendar stand
        there already.
      </p>
    );
  const faulty = week.data.zones.filter(({ fault }) => fault !== null);
  const linkTo = (zoneId: number): string =>
    `${addressOf({ zoneId, station: "feed" })}${date === null ? "?" : "&"}view=doses`;
  if (doses.length === 0 && faulty.length === 0) return <p>Nothing is to be given in these seven days.</p>;
  return (
    <table className={`${tables["table"]} ${styles["doses"]}`} aria-label="This week’s doses">
      <tbody>
        {faulty.map(({ zoneId, zoneName, cropName, fault }) => (
          <tr key={zoneId}>
            <td />
            <td>
              <Link to={linkTo(zoneId)}>{zoneName}</Link>
              <small>{cropName}</small>
            </td>
            <td colSpan={2} className="act">
              The programme cannot be followed as it stands: <Told>{fault ?? ""}</Told>
            </td>
          </tr>
        ))}
        {doses
          .sort((a, b) => a.dose.on.localeCompare(b.dose.on))
          .map(({ zoneId, zoneName, cropName, dose }) => (
            <tr key={`${zoneId} ${dose.on} ${dose.basal} ${dose.record?.id ?? ""}`} data-state={dose.state}>
              <td>
                <strong>{dates.show(dose.on, "weekday")}</strong>
                {dose.state !== "planned" && <small>{dose.state}</small>}
                {dose.onlyIf && <small>only if {dose.onlyIf}</small>}
              </td>
              <td>
                <Link to={linkTo(zoneId)}>{zoneName}</Link>
                <small>{cropName}</small>
              </td>
              <td>
                <Three amounts={dose.nutrientsKgHa} /> <span className="quiet">{show("perLand", 0).unit}</span>
              </td>
              <td>
                <Bags dose={dose} part={WHOLE} />
              </td>
            </tr>
          ))}
      </tbody>
    </table>
  );
}
