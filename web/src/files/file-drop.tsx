import Upload from "antd/es/upload";
import { ProblemNote } from "../parts/problem.tsx";
import { MOST_FILE_MB, type ChosenFile } from "./chosen-file.ts";
import styles from "./files.module.css";
import { TABLES, useFileChoice } from "./use-file-choice.ts";

/** Where a file of rows is dropped or chosen; what cannot be read is said here. */
export function FileDrop({
  what,
  file,
  onFile,
}: {
  what: string;
  file: ChosenFile | null;
  onFile(file: ChosenFile): void;
}) {
  const { choose, readError } = useFileChoice(onFile);
  return (
    <>
      <Upload.Dragger accept={TABLES} showUploadList={false} beforeUpload={choose}>
        <p className={styles["dropText"]}>{file ? file.name : `Drop ${what} here, or choose one`}</p>
        <p className="quiet">{file ? "choose another" : `a text file or a workbook of up to ${MOST_FILE_MB} MB`}</p>
      </Upload.Dragger>
      {readError && <ProblemNote error={readError} />}
    </>
  );
}
