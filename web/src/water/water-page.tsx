import type { BoardZone, WaterFile, WaterReport } from "@sprunel/contract";
import { chargeBalance, ecMsCm } from "@sprunel/core";
import Button from "antd/es/button";
import Skeleton from "antd/es/skeleton";
import Upload from "antd/es/upload";
import { useState } from "react";
import { ANIONS, CATIONS, ionName } from "../feed/ion-names.ts";
import { ProblemNote } from "../http/problem.tsx";
import { fileAsBase64 } from "../http/read-file.ts";
import { useBoard } from "../plan/use-board.ts";
import { usePlace } from "../shell/use-place.ts";
import { LabFile } from "./lab-file.tsx";
import { useWaterReports } from "./use-water.ts";
import styles from "./water.module.css";

/** What comes in: the laboratory's reports over time, and the one that recipes use. */
export function WaterPage({ zone }: { zone: BoardZone }) {
  const reports = useWaterReports();
  const [file, setFile] = useState<WaterFile | null>(null);
  const [readError, setReadError] = useState<Error | null>(null);
  const choose = (chosen: File): false => {
    setReadError(null);
    fileAsBase64(chosen).then((contentBase64) => setFile({ fileName: chosen.name, contentBase64 }), setReadError);
    return false;
  };
  if (reports.isError && !reports.data)
    return <ProblemNote error={reports.error} onRetry={() => void reports.refetch()} />;
  if (!reports.data) return <Skeleton active />;
  return (
    <>
      <h1>{zone.name}: water</h1>
      <p className="quiet">
        Lab reports of the site. The newest up to the day looked at is the one that recipes use. Sources, storage and
        hazards are not built yet.
      </p>
      <Reports reports={reports.data.reports} />
      <Upload accept=".csv,.txt,.tsv,text/*" showUploadList={false} beforeUpload={choose}>
        <Button type="primary">Import a lab report</Button>
      </Upload>
      {readError && <ProblemNote error={readError} />}
      {file && <LabFile key={file.contentBase64} file={file} onDone={() => setFile(null)} />}
    </>
  );
}

const IONS = [...CATIONS, ...ANIONS];

function Reports({ reports }: { reports: readonly WaterReport[] }) {
  const { date } = usePlace();
  const today = useBoard(null).data?.today ?? "";
  const inForce = reports.find((report) => report.takenOn <= (date ?? today));
  if (reports.length === 0) return <p>No report yet. Import the laboratory's file, or type the figures at Feed.</p>;
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
            <tr key={report.id} className={report === inForce ? styles["force"] : undefined}>
              <th scope="row">
                {report.sourceName}, {report.takenOn}
                {report === inForce && <span className="quiet"> · in force</span>}
              </th>
              <td>{report.ph.toFixed(1)}</td>
              <td>{report.ecMsCm?.toFixed(2) ?? "–"}</td>
              {IONS.map((ion) => (
                <td key={ion}>{report.ions[ion]?.toFixed(2) ?? "–"}</td>
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
