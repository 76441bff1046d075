import type { WaterPreview } from "@sprunel/contract/exchange";
import Collapse from "antd/es/collapse";
import Input from "antd/es/input";
import { ColumnsTable } from "../files/columns-table.tsx";
import { HowWritten, Remembered } from "../files/file-settings.tsx";
import filesStyles from "../files/files.module.css";
import { DateInput } from "../forms/date-input.tsx";
import { analyteName } from "./analyte-names.ts";
import type { LabChoices } from "./use-water.ts";

/** How a laboratory's file is read: what it does not say is asked for, what was guessed can be settled. */
export function LabFileSettings({
  preview,
  choices,
  onChange,
}: {
  preview: WaterPreview;
  choices: LabChoices;
  onChange(choices: LabChoices): void;
}) {
  const { samples, columns, lies } = preview;
  const asksDate = samples.some(({ takenOn }) => takenOn === null) || choices.takenOn !== undefined;
  const asksName = samples.some(({ source }) => source === "") || choices.sourceName !== undefined;
  const open = columns.filter(({ unknownUnit, unitAssumed }) => unknownUnit !== null || unitAssumed).length;
  return (
    <>
      <Remembered by={preview.rememberedFrom} />
      <section className={filesStyles["settings"]} aria-label="How the file is read">
        <HowWritten
          written={preview}
          book={preview.book}
          choices={choices}
          onChange={(settled) => onChange({ ...choices, ...settled })}
          onSheet={(sheet) => onChange({ ...(choices.of && { of: choices.of }), sheet })}
        />
        {asksDate && (
          <label>
            Taken on
            <DateInput
              value={choices.takenOn ?? null}
              onChange={(takenOn) => onChange({ ...choices, takenOn: takenOn ?? undefined })}
            />
            <span className={filesStyles["assumed"]}>the file does not say</span>
          </label>
        )}
        {asksName && (
          <label>
            Name of the water
            <Input
              value={choices.sourceName ?? ""}
              maxLength={60}
              onChange={({ target }) => onChange({ ...choices, sourceName: target.value || undefined })}
            />
            <span className={filesStyles["assumed"]}>the file does not say</span>
          </label>
        )}
      </section>
      <Collapse
        {...(open > 0 && { defaultActiveKey: "columns" })}
        items={[
          {
            key: "columns",
            label: `What its ${lies === "across" ? "rows" : "columns"} mean${open > 0 ? `: ${open} to check` : ""}`,
            children: (
              <ColumnsTable
                title={lies === "across" ? "Rows" : "Columns"}
                columns={columns}
                kinds={preview.kinds}
                named={analyteName}
                chosen={choices.columns ?? []}
                onChange={(chosen) => onChange({ ...choices, columns: chosen })}
              />
            ),
          },
        ]}
      />
    </>
  );
}
