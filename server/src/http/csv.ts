import type { Response } from "express";
import Papa from "papaparse";

/** What a spreadsheet would take for something to run. */
const FORMULA = /^[=+\-@|\t\r]/;

/** Answers with a table that any spreadsheet opens: comma, decimal point, UTF-8 with its mark. */
export function sendCsv(
  res: Response,
  fileName: string,
  rows: readonly Readonly<Record<string, string | number | null>>[],
): void {
  res.setHeader("Content-Type", "text/csv; charset=utf-8");
  res.setHeader("Content-Disposition", `attachment; filename="${fileName}"`);
  res.send(`\uFEFF${Papa.unparse([...rows], { escapeFormulae: FORMULA })}`);
}
