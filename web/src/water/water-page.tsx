import type { WaterFile } from "@sprunel/contract/exchange";
import type { BoardZone } from "@sprunel/contract/today";
import type { SourceState, WaterReport } from "@sprunel/contract/water";
import { chargeBalance, ecMsCm } from "@sprunel/core/chemistry";
import Button from "antd/es/button";
import Skeleton from "antd/es/skeleton";
import Upload from "antd/es/upload";
import { useState } from "react";
import { ReportHistory } from "../chart/report-history.tsx";
import { ANIONS, CATIONS, ionName } from "../words/ion-names.ts";
import { ProblemNote } from "../http/problem.tsx";
import { fileAsBase64 } from "../http/read-file.ts";
import { useBoard } from "../place/use-board.ts";
import { usePlace } from "../place/use-place.ts";
import { WaterReportForm } from "./water-form.tsx";
import { useZoneFeed } from "../feed/use-feed.ts";
import { inSoil } from "../rootzone/reports.tsx";
import { AcidNeed } from "./acid-need.tsx";
import { Dosing } from "./dosing.tsx";
import { HazardTable } from "./hazard-table.tsx";
import { LabFile } from "./lab-file.tsx";
import { Mixer } from "./mixer.tsx";
import { SourceList } from "./source-list.tsx";
import { StorageChart } from "./storage-chart.tsx";
import { useWaterStation } from "../place/use-sources.ts";
import { useWaterReports } from "./use-water.ts";
import styles from "./water.module.css";
import { YieldLine } from "./yield-line.tsx";

/** What comes in: the laboratory's reports over time, and the one that recipes use. */
export function WaterPage({ zone }: { zone: BoardZone }) {
  const { date } = usePlace();
  const reports = useWaterReports();
  const station = useWaterStation(date);
  const currency = useBoard(null).data?.site?.currency ?? "";
  const [file, setFile] = useState<WaterFile | null>(null);
  const [readError, setReadError] = useState<Error | null>(null);
  const [isTyping, setTyping] = useState(false);
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
      {station.isError && !station.data && <ProblemNote error={station.error} onRetry={() => void station.refetch()} />}
      {station.data && <Station zone={zone} sources={station.data.sources} currency={currency} />}
      <h2>Lab reports</h2>
      <Reports
        reports={reports.data.reports}
        inForce={station.data?.sources.flatMap(({ report }) => report?.id ?? []) ?? []}
      />
      <ReportHistory
        points={reports.data.reports.map(({ sourceName, takenOn, ions, ph, ecMsCm: ec }) => ({
          of: sourceName,
          date: takenOn,
          values: { ...ions, ph, ec },
        }))}
        figures={HISTORY}
        label="Lab reports over time"
      />
      <Upload accept=".csv,.txt,.tsv,text/*" showUploadList={false} beforeUpload={choose}>
        <Button type="primary">Import a lab report</Button>
      </Upload>{" "}
      <Button onClick={() => setTyping(!isTyping)}>{isTyping ? "Leave it" : "Type a report"}</Button>
      {isTyping && <WaterReportForm onSaved={() => setTyping(false)} />}
      {readError && <ProblemNote error={readError} />}
      {file && <LabFile key={file.contentBase64} file={file} onDone={() => setFile(null)} />}
    </>
  );
}

const IONS = [...CATIONS, ...ANIONS];
const HISTORY = [
  { key: "ec", name: "EC", unit: "mS/cm" },
  { key: "ph", name: "pH", unit: "" },
  ...IONS.map((ion) => ({ key: ion, name: ionName(ion), unit: "mmol/L" })),
];

/** Where water comes from, how long it lasts, and what it does. */
function Station({ zone, sources, currency }: { zone: BoardZone; sources: readonly SourceState[]; currency: string }) {
  return (
    <>
      <div className={styles["columns"]}>
        <SourceList sources={sources} currency={currency} />
        <div>
          {sources
            .filter((state) => state.levels.length > 0)
            .map((state) => (
              <StorageChart key={state.source.id} state={state} />
            ))}
        </div>
      </div>
      <h2>What the water does</h2>
      <HazardTable sources={sources} />
      <OwnWater zone={zone} />
      <Mixer sources={sources} currency={currency} />
      {inSoil(zone.system) &&
        sources.map(({ source }) => source.analysis && <Dosing key={source.id} zone={zone} source={source} />)}
    </>
  );
}

/** What the zone's own mix of waters means for its crop, and the acid it takes. */
function OwnWater({ zone }: { zone: BoardZone }) {
  const { date } = usePlace();
  const water = useZoneFeed(zone.id, date).data?.water;
  if (!water) return null;
  return (
    <>
      <YieldLine zone={zone} water={water} />
      <AcidNeed water={water} />
    </>
  );
}

function Reports({ reports, inForce }: { reports: readonly WaterReport[]; inForce: readonly number[] }) {
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
            <tr key={report.id} className={inForce.includes(report.id) ? styles["force"] : undefined}>
              <th scope="row">
                {report.sourceName}, {report.takenOn}
                {inForce.includes(report.id) && <span className="quiet"> · in force</span>}
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
