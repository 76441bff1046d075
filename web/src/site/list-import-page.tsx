import { listKindSchema, type ListChoices, type ListKind, type ListPreview } from "@sprunel/contract";
import Button from "antd/es/button";
import { useState } from "react";
import { Link, useParams } from "react-router";
import type { ChosenFile } from "../files/chosen-file.ts";
import { FileDrop } from "../files/file-drop.tsx";
import styles from "../files/files.module.css";
import { ProblemNote } from "../http/problem.tsx";
import { LostPage } from "../shell/lost-page.tsx";
import { ListPreviewParts } from "./list-preview.tsx";
import { LISTS } from "./list-words.ts";
import { useListImport, useListPreview } from "./use-list-import.ts";

/** A list from a file: choose what it is, look at what the program makes of it, import it. */
export function ListImportPage() {
  const list = listKindSchema.safeParse(useParams()["list"]);
  return list.success ? <ListImport key={list.data} list={list.data} /> : <LostPage />;
}

function ListImport({ list }: { list: ListKind }) {
  const [file, setFile] = useState<ChosenFile | null>(null);
  const [choices, setChoices] = useState<ListChoices>({});
  const preview = useListPreview(list, file, choices);
  const importing = useListImport(list);
  const choose = (chosen: ChosenFile): void => {
    setChoices({});
    importing.reset();
    setFile(chosen);
  };
  return (
    <div className={styles["page"]}>
      <nav className={styles["kinds"]} aria-label="What is in the file">
        {listKindSchema.options.map((kind) => (
          <Link key={kind} to={`/import/${kind}`} aria-current={kind === list ? "page" : undefined}>
            {LISTS[kind].name}
          </Link>
        ))}
        <Link to="/weather">Weather</Link>
      </nav>
      <h1>{LISTS[list].title}</h1>
      <p className="quiet">
        {LISTS[list].says} Nothing is stored before you have seen what the program makes of it, and nothing is mended in
        silence.
      </p>
      <FileDrop what={LISTS[list].file} file={file} onFile={choose} />
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
                disabled={preview.isFetching || preview.data.stored.added === 0}
                onClick={() => importing.mutate({ file, choices })}
              >
                {importWords(preview.data)}
              </Button>
              <Link to="/">Leave it</Link>
            </div>
            <ListPreviewParts preview={preview.data} choices={choices} onChange={setChoices} />
          </>
        )
      )}
    </div>
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
