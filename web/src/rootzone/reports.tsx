import type { SoilReport, ZoneReport } from "@sprunel/contract/rootzone";
import type { BoardZone } from "@sprunel/contract/today";
import Button from "antd/es/button";
import { lazy, Suspense, useState } from "react";
import { Link } from "react-router";
import { ReportHistory, type ReportFigure, type ReportPoint } from "../chart/report-history.tsx";
import { ANIONS, CATIONS, ionName } from "../words/ion-names.ts";
import { ProblemNote } from "../parts/problem.tsx";
import { StrikeOut } from "../parts/strike-out.tsx";
import { SYSTEM_WORDS } from "../systems/words.ts";
import tables from "../theme/tables.module.css";
import { useUnits } from "../units/use-units.tsx";
import styles from "./roots.module.css";
import { useStrikeReport, useZoneReports } from "./use-reports.ts";
import { useDates } from "../units/dates.tsx";

const ReportDialog = lazy(async () => ({ default: (await import("./report-dialog.tsx")).ReportDialog }));

type SoilFigure = Exclude<keyof SoilReport, "kind" | "takenOn" | "depthCm" | "texture" | "phIn" | "limits" | "methods">;
const SOIL_FIGURES: readonly (ReportFigure & { readonly key: SoilFigure })[] = [
  { key: "ph", name: "pH", unit: "" },
  { key: "ecSaturatedMsCm", name: "EC", unit: "mS/cm" },
  { key: "organicMatterPct", name: "Organic matter", unit: "%" },
  { key: "pMgKg", name: "P", unit: "mg/kg" },
  { key: "kMgKg", name: "K", unit: "mg/kg" },
  { key: "mgMgKg", name: "Mg", unit: "mg/kg" },
  { key: "caMgKg", name: "Ca", unit: "mg/kg" },
  { key: "naMgKg", name: "Na", unit: "mg/kg" },
  { key: "nitrateNMgKg", name: "Nitrate N", unit: "mg/kg" },
  { key: "cecCmolKg", name: "CEC", unit: "cmol(+)/kg" },
  { key: "mineralNKgHa", name: "Mineral N", unit: "kg/ha", quantity: "perLand" },
];
const SOLUTION_FIGURES: readonly ReportFigure[] = [
  { key: "ecMsCm", name: "EC", unit: "mS/cm" },
  { key: "ph", name: "pH", unit: "" },
  ...[...CATIONS, ...ANIONS].map((ion) => ({ key: ion, name: ionName(ion), unit: "mmol/L" })),
];

const PH_IN = { water: "water", CaCl2: "CaCl₂", KCl: "KCl" } as const;

/** "<5", of what lay below what could be measured. */
function limitOf(report: ZoneReport, key: string): string | undefined {
  return report.limits?.[key];
}

/** What laboratories found at the roots of this zone, over time. */
export function Reports({ zone }: { zone: BoardZone }) {
  const dates = useDates();
  const reports = useZoneReports(zone.id);
  const strike = useStrikeReport(zone.id);
  const { show } = useUnits();
  const [isOpen, setOpen] = useState(false);
  // Zones in soil have their soil tested, the others their solution.
  const soil = SYSTEM_WORDS[zone.system].inSoil === true;
  const figures = soil ? SOIL_FIGURES : SOLUTION_FIGURES;
  if (reports.isError && !reports.data)
    return <ProblemNote error={reports.error} onRetry={() => void reports.refetch()} />;
  const shown = (reports.data?.reports ?? []).filter((report) => (report.kind === "soil") === soil);
  const depth = ([from, to]: readonly [number, number]): string =>
    `${show("depth", from).text}–${show("depth", to).text} ${show("depth", to).unit}`;
  const nameOf = (report: ZoneReport): string =>
    report.kind === "soil"
      ? report.depthCm
        ? depth(report.depthCm)
        : "depth not told"
      : { drain: "drain", extract: "extract" }[report.kind];
  const points = shown
    .filter(({ struck }) => struck === null)
    .map((report): ReportPoint => ({ of: nameOf(report), date: report.takenOn, values: valuesOf(report) }));
  const used = figures.filter(({ key }) =>
    shown.some((report) => typeof valuesOf(report)[key] === "number" || limitOf(report, key) !== undefined),
  );
  return (
    <section aria-label="Laboratory">
      <h2>{soil ? "Soil tests" : "Drain and extract, by the laboratory"}</h2>
      {strike.isError && <ProblemNote error={strike.error} />}
      {shown.length === 0 && <p className="quiet">None yet.</p>}
      {shown.length > 0 && (
        <div className={styles["scroll"]} tabIndex={0} role="region" aria-label="Reports of the laboratory">
          <table className={tables["table"]}>
            <thead>
              <tr>
                <th scope="col">taken</th>
                <th scope="col">{soil ? "depth" : "of"}</th>
                {used.map(({ key, name, unit }) => (
                  <th key={key} scope="col">
                    {name}
                    {unit && `, ${unit}`}
                  </th>
                ))}
                <th scope="col" />
              </tr>
            </thead>
            <tbody>
              {shown.map((report) => (
                <tr key={report.id} className={report.struck === null ? undefined : tables["struck"]}>
                  <td>{dates.show(report.takenOn, "year")}</td>
                  <td>{nameOf(report)}</td>
                  {used.map(({ key }) => (
                    <td key={key}>
                      <Figure value={valuesOf(report)[key]} limit={limitOf(report, key)} />
                      {report.methods?.[key] !== undefined && <span className="quiet"> {report.methods[key]}</span>}
                      {key === "ph" && report.kind === "soil" && report.phIn !== undefined && (
                        <span className="quiet"> in {PH_IN[report.phIn]}</span>
                      )}
                    </td>
                  ))}
                  <td>
                    {report.struck === null ? (
                      <StrikeOut
                        what="report"
                        example="wrong bed"
                        onStrike={(reason) => strike.mutate({ id: report.id, reason })}
                      />
                    ) : (
                      <span className="quiet">{report.struck}</span>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <ReportHistory points={points} figures={figures} label="Reports over time" />
      <div className={styles["actions"]}>
        <Button onClick={() => setOpen(true)}>{soil ? "Add a soil test" : "Add a report"}</Button>
        <Link to={soil ? "/import/soil-tests" : "/import/readings"}>
          {soil ? "Import soil tests" : "Import readings"}
        </Link>
      </div>
      {isOpen && (
        <Suspense>
          <ReportDialog zone={zone} isSoil={soil} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </section>
  );
}

function valuesOf(report: ZoneReport): Readonly<Record<string, number | null | undefined>> {
  if (report.kind === "soil") return Object.fromEntries(SOIL_FIGURES.map(({ key }) => [key, report[key]]));
  return { ...report.ions, ph: report.ph, ecMsCm: report.ecMsCm };
}

function Figure({ value, limit }: { value: number | null | undefined; limit: string | undefined }) {
  if (limit === undefined) return figure(value);
  return (
    <>
      {limit}
      <span className="quiet"> counts {figure(value)}</span>
    </>
  );
}

function figure(value: number | null | undefined): string {
  if (value === null || value === undefined) return "–";
  return value >= 100 ? value.toFixed(0) : value >= 10 ? value.toFixed(1) : value.toFixed(2);
}
