import type { WaterPreview } from "@sprunel/contract/exchange";
import { Link } from "react-router";
import { ImportPage, useChosen } from "../files/import-page.tsx";
import styles from "../files/files.module.css";
import { LabFile } from "./lab-file.tsx";
import { useWaterImport, useWaterPreview, type LabChoices } from "./use-water.ts";

const FRESH: LabChoices = {};

/** Reports of waters, or of what drained from or stands in zones, from a laboratory's file. */
export function LabImportPage() {
  const chosen = useChosen(FRESH);
  return (
    <ImportPage
      kind="water"
      title="Import lab reports"
      says="A laboratory's file, as text or workbook: one sample or many, beside or below each other, in any usual unit and in any of seven languages."
      what="a laboratory's file"
      chosen={chosen}
      preview={useWaterPreview(chosen.file, chosen.choices)}
      importing={useWaterImport()}
      offer={(preview) => ({ words: importWords(preview), isNothing: storedIn(preview) === 0 })}
      looked={(preview) => <LabFile preview={preview} choices={chosen.choices} onChange={chosen.settle} />}
      done={(answer) => <Done answer={answer} />}
    />
  );
}

function storedIn({ samples }: WaterPreview): number {
  return samples.filter(({ fate }) => fate === "stored").length;
}

function importWords(preview: WaterPreview): string {
  const stored = storedIn(preview);
  if (stored > 0) return `Store ${stored} ${stored === 1 ? "report" : "reports"}`;
  return preview.samples.some(({ fate }) => fate === "already-there")
    ? "Nothing new: all of it is stored already"
    : "Nothing to store";
}

function Done({ answer }: { answer: WaterPreview }) {
  const stored = storedIn(answer);
  const left = answer.samples.length - stored;
  return (
    <section role="status" className={styles["done"]}>
      <h2>
        Stored {stored} {stored === 1 ? "report" : "reports"} from {answer.fileName}
      </h2>
      <p>
        {left > 0 && `${left} ${left === 1 ? "sample was" : "samples were"} left out or there already. `}
        Recipes and plans count with them from now on. <Link to="/water">To the water</Link>
      </p>
    </section>
  );
}
