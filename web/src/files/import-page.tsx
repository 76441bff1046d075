import type { ImportKind } from "@sprunel/contract/exchange";
import Button from "antd/es/button";
import { useState, type ReactNode } from "react";
import { Link } from "react-router";
import { ProblemNote } from "../parts/problem.tsx";
import type { ChosenFile } from "./chosen-file.ts";
import { PastImports } from "./past-imports.tsx";
import { FileDrop } from "./file-drop.tsx";
import { ImportKinds } from "./import-kinds.tsx";
import { Reading } from "./reading.tsx";
import styles from "./files.module.css";

/** A file and what a person settled about it; another file begins anew. */
interface Chosen<Choices> {
  readonly file: ChosenFile | null;
  readonly choices: Choices;
  take(file: ChosenFile): void;
  settle(choices: Choices): void;
  /** what is being read of it is broken off */
  leave(): void;
}

export function useChosen<Choices>(fresh: Choices): Chosen<Choices> {
  const [chosen, setChosen] = useState<{ readonly file: ChosenFile | null; readonly choices: Choices }>({
    file: null,
    choices: fresh,
  });
  return {
    ...chosen,
    take: (file) => setChosen({ file, choices: fresh }),
    settle: (choices) => setChosen({ ...chosen, choices }),
    leave: () => setChosen({ file: null, choices: fresh }),
  };
}

interface Preview<P> {
  readonly data: P | undefined;
  readonly error: Error | null;
  readonly isFetching: boolean;
  readonly step: string | null;
  refetch(): unknown;
}

interface Importing<A, Input> {
  readonly data: A | undefined;
  readonly error: Error | null;
  readonly isPending: boolean;
  mutate(input: Input): void;
  reset(): void;
}

interface Props<Choices, P, A> {
  readonly title: string;
  readonly says: string;
  /** what is dropped, with its article */
  readonly what: string;
  /** whose earlier imports stand below */
  readonly kind: ImportKind;
  readonly chosen: Chosen<Choices>;
  readonly preview: Preview<P>;
  readonly importing: Importing<A, { file: ChosenFile; choices: Choices }>;
  /** what the button says, and whether there is anything to import */
  offer(preview: P): { readonly words: string; readonly isNothing: boolean };
  looked(preview: P): ReactNode;
  done(answer: A): ReactNode;
}

/** Something from a file: choose it, look at what the program makes of it, import it. */
export function ImportPage<Choices, P, A>(props: Props<Choices, P, A>) {
  const { title, says, what, kind, chosen, preview, importing, offer, looked, done } = props;
  const { file, choices, take } = chosen;
  const choose = (next: ChosenFile): void => {
    importing.reset();
    take(next);
  };
  const shown = file && !preview.error ? preview.data : undefined;
  const offered = shown !== undefined && offer(shown);
  return (
    <div className={styles["page"]}>
      <ImportKinds kind={kind} />
      <h1>{title}</h1>
      <p className="quiet">
        {says} Nothing is stored before you have seen what the program makes of it, and nothing is mended in silence.
      </p>
      <FileDrop what={what} file={file} onFile={choose} />
      {file && preview.error && <ProblemNote error={preview.error} onRetry={() => void preview.refetch()} />}
      {file && preview.isFetching && (preview.step !== null || !preview.data) && (
        <Reading fileName={file.name} step={preview.step} onStop={chosen.leave} />
      )}
      {importing.data !== undefined
        ? done(importing.data)
        : file &&
          shown !== undefined &&
          offered && (
            <>
              {importing.error && <ProblemNote error={importing.error} />}
              <div className={styles["commit"]}>
                <Button
                  type="primary"
                  size="large"
                  loading={importing.isPending}
                  disabled={preview.isFetching || offered.isNothing}
                  onClick={() => importing.mutate({ file, choices })}
                >
                  {offered.words}
                </Button>
                <Link to="/">Leave it</Link>
              </div>
              {looked(shown)}
            </>
          )}
      <PastImports kind={kind} />
    </div>
  );
}
