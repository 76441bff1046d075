import { useState } from "react";
import { readChosen, type ChosenFile } from "./chosen-file.ts";

/** Texts and workbooks, as a browser's dialog offers them. */
export const TABLES = ".csv,.txt,.tsv,.dat,.xlsx,.xlsm,.xlsb,.xls,.ods,.fods,.xml,.htm,.html,text/*";

/** A file that is chosen is read; what cannot be read is told. */
export function useFileChoice(onFile: (file: ChosenFile) => void) {
  const [readError, setReadError] = useState<Error | null>(null);
  return {
    readError,
    choose(chosen: File): false {
      setReadError(null);
      readChosen(chosen).then(onFile, setReadError);
      return false;
    },
  };
}
