import { listKindSchema, type ListChoices, type ListKind, type ListPreview } from "@sprunel/contract/exchange";
import { Link, useParams } from "react-router";
import { ImportPage, useChosen } from "../files/import-page.tsx";
import styles from "../files/files.module.css";
import { LostPage } from "../parts/lost-page.tsx";
import { ListPreviewParts } from "./list-preview.tsx";
import { LISTS } from "./list-words.ts";
import { useListImport, useListPreview } from "./use-list-import.ts";

const FRESH: ListChoices = {};

/** A list from a file, of the kind that the address names. */
export function ListImportPage() {
  const list = listKindSchema.safeParse(useParams()["list"]);
  return list.success ? <ListImport key={list.data} list={list.data} /> : <LostPage />;
}

function ListImport({ list }: { list: ListKind }) {
  const chosen = useChosen(FRESH);
  return (
    <ImportPage
      kind={list}
      title={LISTS[list].title}
      says={LISTS[list].says}
      what={LISTS[list].file}
      chosen={chosen}
      preview={useListPreview(list, chosen.file, chosen.choices)}
      importing={useListImport(list)}
      offer={(preview) => ({ words: importWords(preview), isNothing: preview.stored.added === 0 })}
      looked={(preview) => <ListPreviewParts preview={preview} choices={chosen.choices} onChange={chosen.settle} />}
      done={(answer) => <Done answer={answer} />}
    />
  );
}

function importWords({ stored }: ListPreview): string {
  if (stored.added > 0) return `Import ${stored.added} ${stored.added === 1 ? "row" : "rows"}`;
  return stored.alreadyThere > 0 ? "Nothing new: all of it is stored already" : "Nothing to store";
}

function Done({ answer }: { answer: ListPreview }) {
  const { added, alreadyThere, refused } = answer.stored;
  return (
    <section role="status" className={styles["done"]}>
      <h2>{added === 0 ? "Nothing new" : `Stored ${added} from ${answer.fileName}`}</h2>
      <p>
        {alreadyThere} were there already, {refused.length + answer.counts.rejected} left out.{" "}
        <Link to="/">To the morning board</Link>
      </p>
    </section>
  );
}
