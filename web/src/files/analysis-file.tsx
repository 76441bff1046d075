import type { AnalysisFile } from "@sprunel/contract/exchange";
import Collapse from "antd/es/collapse";
import Upload from "antd/es/upload";
import Button from "antd/es/button";
import { ProblemNote } from "../parts/problem.tsx";
import type { ChosenFile } from "./chosen-file.ts";
import { ColumnsTable, Lacks, type FileColumn } from "./columns-table.tsx";
import { HowWritten } from "./file-settings.tsx";
import styles from "./files.module.css";
import { TABLES, useFileChoice } from "./use-file-choice.ts";

export type AnalysisChoices = Omit<AnalysisFile, "fileName" | "contentBase64">;

/** A button that takes a laboratory's file, as text or workbook. */
export function AnalysisButton({ file, onFile }: { file: ChosenFile | null; onFile(file: ChosenFile): void }) {
  const { choose, readError } = useFileChoice(onFile);
  return (
    <>
      <Upload accept={TABLES} showUploadList={false} beforeUpload={choose}>
        <Button>{file ? "Another file" : "Choose the file"}</Button>
      </Upload>
      {readError && <ProblemNote error={readError} />}
    </>
  );
}

interface Told {
  readonly columns: readonly FileColumn[];
  readonly kinds: readonly { readonly kind: string; readonly units: readonly string[] }[];
  readonly lacks: readonly (readonly string[])[];
  readonly book: { readonly sheets: readonly string[]; readonly sheet: string } | null;
  readonly decimal: "." | ",";
  readonly decimalAssumed: boolean;
  readonly dateOrder?: "ymd" | "dmy" | "mdy";
  readonly dateOrderAssumed?: boolean;
}

/** How the file is read: what was guessed can be settled, one thing at a time. */
export function AnalysisSettings({
  told,
  named,
  choices,
  onChange,
}: {
  told: Told;
  named(kind: string): string;
  choices: AnalysisChoices;
  onChange(choices: AnalysisChoices): void;
}) {
  const asksDates = told.dateOrderAssumed === true || choices.dateOrder !== undefined;
  const hasUnits = (kind: string): boolean => told.kinds.some((one) => one.kind === kind && one.units.length > 0);
  const open = told.columns.filter(
    ({ kind, unit, unitAssumed }) => hasUnits(kind) && (unit === "" || unitAssumed),
  ).length;
  return (
    <>
      <section className={styles["settings"]} aria-label="How the file is read">
        <HowWritten
          written={asksDates ? told : { ...told, dateOrder: undefined }}
          book={told.book}
          choices={choices}
          onChange={(settled) => onChange({ ...choices, ...settled })}
          onSheet={(sheet) => onChange({ sheet })}
        />
      </section>
      <Lacks lacks={told.lacks} named={named} />
      <Collapse
        {...(open + told.lacks.length > 0 && { defaultActiveKey: "columns" })}
        items={[
          {
            key: "columns",
            label: `What the file names${open > 0 ? `: ${open} to check` : ""}`,
            children: (
              <ColumnsTable
                columns={told.columns}
                kinds={told.kinds}
                named={named}
                chosen={choices.columns ?? []}
                onChange={(columns) => onChange({ ...choices, columns })}
              />
            ),
          },
        ]}
      />
    </>
  );
}
