import type { WeatherChoices, WeatherImportAnswer } from "@sprunel/contract";
import Button from "antd/es/button";
import { useState } from "react";
import { Link } from "react-router";
import { ProblemNote } from "../http/problem.tsx";
import { ImportPreview } from "./import-preview.tsx";
import type { ChosenFile } from "../files/chosen-file.ts";
import { FileDrop } from "../files/file-drop.tsx";
import { useWeatherImport, useWeatherPreview } from "./use-weather-import.ts";
import styles from "../files/files.module.css";

/** Weather from a file: choose it, look at what the program makes of it, import it. */
export function WeatherImportPage() {
  const [file, setFile] = useState<ChosenFile | null>(null);
  const [choices, setChoices] = useState<WeatherChoices>({});
  const preview = useWeatherPreview(file, choices);
  const importing = useWeatherImport();

  const choose = (chosen: ChosenFile): void => {
    setChoices({});
    importing.reset();
    setFile(chosen);
  };

  return (
    <div className={styles["page"]}>
      <h1>Import weather</h1>
      <p className="quiet">
        One row an hour, as a logger writes it: whatever delimiter, decimal mark, date order or unit it uses. Nothing is
        stored before you have seen what the program makes of it, and nothing is mended in silence.
      </p>
      <FileDrop what="a weather file" file={file} onFile={choose} />
      {file && preview.isError && <ProblemNote error={preview.error} onRetry={() => void preview.refetch()} />}
      {file && preview.isFetching && !preview.data && <p className="quiet">Reading {file.name} …</p>}
      {importing.data ? (
        <Done answer={importing.data} />
      ) : (
        file &&
        preview.data &&
        !preview.isError && (
          <>
            {importing.isError && <ProblemNote error={importing.error} />}
            <div className={styles["commit"]}>
              <Button
                type="primary"
                size="large"
                loading={importing.isPending}
                disabled={preview.isFetching || preview.data.hours.stored === 0}
                onClick={() => importing.mutate({ file, choices })}
              >
                {preview.data.stored.newValues === 0
                  ? "Import again: adds nothing"
                  : `Import ${preview.data.hours.stored} hours`}
              </Button>
              <Link to="/">Leave it</Link>
            </div>
            <ImportPreview preview={preview.data} choices={choices} onChange={setChoices} />
          </>
        )
      )}
    </div>
  );
}

function Done({ answer }: { answer: WeatherImportAnswer }) {
  const { newValues, alreadyThere, conflicts } = answer.stored;
  const day = answer.hours.lastUtc?.slice(0, 10);
  return (
    <section role="status" className={styles["done"]}>
      <h2>
        {newValues === 0
          ? "Nothing new: this file was imported before"
          : `Imported ${answer.hours.stored} hours from ${answer.fileName}`}
      </h2>
      <p>
        {newValues} values stored, {alreadyThere} were there already
        {conflicts > 0 &&
          `, ${conflicts} differ from what was imported before: the first stays, the new ones are kept beside it`}
        .
      </p>
      <p>
        Every day that the file holds is computed anew from it.{" "}
        <Link to={day ? `/?date=${day}` : "/"}>To the last of these days</Link> · <Link to="/">To today</Link>
      </p>
    </section>
  );
}
