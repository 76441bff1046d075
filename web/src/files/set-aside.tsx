import Button from "antd/es/button";

/** A line of a file that is not stored as it stands, and why. */
export interface SetAside {
  readonly line: number;
  readonly what: string;
  readonly why: string;
}

/** What is not stored as it stands, as a table to take along: to the laboratory, or to whoever wrote the file. */
export function SetAsideDownload({ fileName, rows }: { fileName: string; rows: readonly SetAside[] }) {
  if (rows.length === 0) return null;
  const save = async (): Promise<void> => {
    const { default: Papa } = await import("papaparse");
    const text = Papa.unparse({
      fields: ["line", "what", "why"],
      data: rows.map(({ line, what, why }) => [line, what, why]),
    });
    const address = URL.createObjectURL(new Blob(["\ufeff", text], { type: "text/csv" }));
    const link = document.createElement("a");
    link.href = address;
    link.download = `${fileName.replace(/\.[^.]*$/, "")} set aside.csv`;
    link.click();
    URL.revokeObjectURL(address);
  };
  return (
    <div>
      <Button onClick={() => void save()}>Save what was set aside, with reasons</Button>
    </div>
  );
}
