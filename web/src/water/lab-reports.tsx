import type { WaterReport } from "@sprunel/contract/water";
import { chargeBalance, ecMsCm } from "@sprunel/core/chemistry";
import Button from "antd/es/button";
import { Outline } from "../parts/outline.tsx";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ReportHistory } from "../chart/report-history.tsx";
import { ProblemNote } from "../parts/problem.tsx";
import { ANIONS, CATIONS, ionName } from "../words/ion-names.ts";
import { useWaterReports } from "./use-water.ts";
import { WaterReportForm } from "./water-form.tsx";
import styles from "./water.module.css";
import { useDates } from "../units/dates.tsx";

const IONS = [...CATIONS, ...ANIONS];
const HISTORY = [
  { key: "ec", name: "EC", unit: "mS/cm" },
  { key: "ph", name: "pH", unit: "" },
  ...IONS.map((ion) => ({ key: ion, name: ionName(ion), unit: "mmol/L" })),
];

/** The laboratory's reports of every water over time, and a new one from a file or typed. */
export function LabReports({ inForce }: { inForce: readonly number[] }) {
  const reports = useWaterReports();
  const navigate = useNavigate();
  const [isTyping, setTyping] = useState(false);
  if (reports.isError && !reports.data)
    return <ProblemNote error={reports.error} onRetry={() => void reports.refetch()} />;
  if (!reports.data) return <Outline />;
  return (
    <section aria-label="Lab reports" className={styles["block"]}>
      <h2>Lab reports</h2>
      <Reports reports={reports.data.reports} inForce={inForce} />
      <ReportHistory
        points={reports.data.reports.map(({ sourceName, takenOn, ions, ph, ecMsCm: ec }) => ({
          of: sourceName,
          date: takenOn,
          values: { ...ions, ph, ec },
        }))}
        figures={HISTORY}
        label="Lab reports over time"
      />
      <Button type="primary" onClick={() => void navigate("/import/water")}>
        Import lab reports
      </Button>{" "}
      <Button onClick={() => setTyping(!isTyping)}>{isTyping ? "Leave it" : "Type a report"}</Button>
      {isTyping && <WaterReportForm onSaved={() => setTyping(false)} />}
    </section>
  );
}

function Reports({ reports, inForce }: { reports: readonly WaterReport[]; inForce: readonly number[] }) {
  const dates = useDates();
  if (reports.length === 0) return <p>No report yet. Import the laboratory's file, or type its figures.</p>;
  return (
    <div className={styles["scroll"]} tabIndex={0} role="region" aria-label="Reports">
      <table className={styles["table"]}>
        <thead>
          <tr>
            <th scope="col">mmol/L</th>
            <th scope="col">pH</th>
            <th scope="col">EC, mS/cm</th>
            {IONS.map((ion) => (
              <th key={ion} scope="col">
                {ionName(ion)}
              </th>
            ))}
            <th scope="col">charge, %</th>
            <th scope="col">EC by ions</th>
          </tr>
        </thead>
        <tbody>
          {reports.map((report) => (
            <tr key={report.id} className={inForce.includes(report.id) ? styles["force"] : undefined}>
              <th scope="row">
                {report.sourceName}, {dates.show(report.takenOn, "year")}
                {inForce.includes(report.id) && <span className="quiet"> · in force</span>}
              </th>
              <td>{report.ph.toFixed(1)}</td>
              <td>{report.ecMsCm?.toFixed(2) ?? "–"}</td>
              {IONS.map((ion) => (
                <td key={ion} title={report.limits?.[ion] ?? report.methods?.[ion]}>
                  {report.ions[ion]?.toFixed(2) ?? "–"}
                  {report.limits?.[ion] !== undefined && <span className="quiet"> of {report.limits[ion]}</span>}
                </td>
              ))}
              <td>{chargeBalance(report.ions).errorPct.toFixed(1)}</td>
              <td>{ecMsCm(report.ions, report.ph).toFixed(2)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
