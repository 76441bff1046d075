import type { WeatherChoices, WeatherImportAnswer } from "@sprunel/contract/climate";
import { Link } from "react-router";
import { ImportPage, useChosen } from "../files/import-page.tsx";
import styles from "../files/files.module.css";
import { ImportPreview } from "./import-preview.tsx";
import { useWeatherImport, useWeatherPreview } from "./use-weather-import.ts";

const FRESH: WeatherChoices = {};

/** Weather from a file of hours. */
export function WeatherImportPage() {
  const chosen = useChosen(FRESH);
  return (
    <ImportPage
      kind="weather"
      title="Import weather"
      says="A row an hour or more often, as a logger writes it, in a text or a workbook: whatever delimiter, decimal mark, date order, language or unit it uses."
      what="a weather file"
      chosen={chosen}
      preview={useWeatherPreview(chosen.file, chosen.choices)}
      importing={useWeatherImport()}
      offer={({ hours, stored }) => ({
        words: stored.newValues === 0 ? "Import again: adds nothing" : `Import ${hours.stored} hours`,
        isNothing: hours.stored === 0,
      })}
      looked={(preview) => <ImportPreview preview={preview} choices={chosen.choices} onChange={chosen.settle} />}
      done={(answer) => <Done answer={answer} />}
    />
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
