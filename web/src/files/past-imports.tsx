import { getImports, takeImportBack, type ImportKind, type PastImport } from "@sprunel/contract/exchange";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Popconfirm from "antd/es/popconfirm";
import { ask } from "../http/api.ts";
import { ProblemNote } from "../parts/problem.tsx";
import { useDates } from "../units/dates.tsx";
import styles from "./files.module.css";

const SHOWN = 8;

/** Files of a kind that were imported before, each with the way back. */
export function PastImports({ kind }: { kind: ImportKind }) {
  const imports = useQuery({
    queryKey: ["exchange", "imports"],
    queryFn: ({ signal }) => ask(getImports, { signal }),
  });
  const client = useQueryClient();
  const back = useMutation({
    mutationFn: (id: number) => ask(takeImportBack, { params: { id } }),
    onSuccess: () => client.invalidateQueries(),
  });
  const past = imports.data?.imports.filter((one) => one.kind === kind).slice(0, SHOWN) ?? [];
  if (past.length === 0) return null;
  return (
    <section aria-label="Imported before">
      <h2>Imported before</h2>
      {back.error && <ProblemNote error={back.error} />}
      {back.data && (
        <p role="status">
          {back.data.undone} {back.data.undone === 1 ? "value is" : "values are"} taken back
          {back.data.stays > 0 && `, ${back.data.stays} stay: somebody changed them since`}.
        </p>
      )}
      <table className={styles["table"]}>
        <tbody>
          {past.map((one) => (
            <PastRow key={one.id} past={one} isPending={back.isPending} onBack={() => back.mutate(one.id)} />
          ))}
        </tbody>
      </table>
    </section>
  );
}

function PastRow({ past, isPending, onBack }: { past: PastImport; isPending: boolean; onBack(): void }) {
  const dates = useDates();
  const { fileName, importedAt, takenBackAt, by, rows } = past;
  return (
    <tr>
      <th scope="row">{fileName}</th>
      <td>
        {dates.show(importedAt.slice(0, 10), "year")}, by {by}
        {rows > 0 && `: ${rows} ${rows === 1 ? "row" : "rows"}`}
      </td>
      <td>
        {takenBackAt === null ? (
          <Popconfirm
            title={`Take ${fileName} back?`}
            description="All that it brought goes; what somebody changed since stays."
            okText="Take it back"
            cancelText="Leave it"
            onConfirm={onBack}
          >
            <Button disabled={isPending}>Take it back</Button>
          </Popconfirm>
        ) : (
          <span className="quiet">taken back {dates.show(takenBackAt.slice(0, 10), "year")}</span>
        )}
      </td>
    </tr>
  );
}
