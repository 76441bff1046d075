import { getSiteFile, readSiteFile } from "@sprunel/contract/exchange";
import { getWaterReportsTable } from "@sprunel/contract/water";
import { addressOf } from "@sprunel/contract/basics";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Upload from "antd/es/upload";
import { Link } from "react-router";
import { ApiError, sendFile } from "../http/api.ts";
import { ProblemNote } from "../parts/problem.tsx";
import styles from "./site-file.module.css";

/** The whole site as one file, to keep or to take elsewhere. */
export function SiteExport() {
  return (
    <p className={styles["files"]}>
      <a href={addressOf(getSiteFile)} download>
        Save the whole site as a file
      </a>
      <a href={addressOf(getWaterReportsTable)} download>
        Lab reports as a table
      </a>
      <Link to="/changes">Record of changes</Link>
      <Link to="/import/readings">Import lists: readings, soil tests, picks, shelf</Link>
    </p>
  );
}

/** Reads such a file into a folder without a site; a damaged one is refused and nothing changes. */
export function SiteImport() {
  const client = useQueryClient();
  const read = useMutation({
    mutationFn: (file: File) =>
      sendFile(readSiteFile, file).catch((error: unknown) => {
        if (!(error instanceof ApiError)) throw error;
        const { detail, errors, title } = error.problem;
        const [first] = errors ?? [];
        const where = first?.path ? `${first.path} – ${first.message}` : detail;
        throw new ApiError({
          ...error.problem,
          title,
          detail: `${file.name} is not read: ${where} Nothing was changed.`,
        });
      }),
    onSuccess: () => client.invalidateQueries(),
  });
  const choose = (file: File): false => {
    read.mutate(file);
    return false;
  };
  return (
    <div className={styles["files"]}>
      <Upload accept=".json,application/json" showUploadList={false} beforeUpload={choose}>
        <Button loading={read.isPending}>Or read a site from its file</Button>
      </Upload>
      {read.isError && <ProblemNote error={read.error} />}
    </div>
  );
}
