import { useTold } from "../units/told.ts";
import Form from "antd/es/form";
import { useState, type ReactNode } from "react";
import type { z } from "zod";
import { EditDialog } from "./edit-dialog.tsx";
import { clearFaults, faultsOf, showFaults, type Fault } from "./form-errors.ts";
import styles from "./forms.module.css";
import { StaleEdit, staleOf, withoutIdentity } from "./stale-edit.tsx";

interface Props<Values, Saved> {
  readonly title: string;
  readonly okText?: string;
  readonly width: number;
  /** fields side by side */
  readonly columns?: 1 | 2;
  readonly schema: z.ZodType<Saved>;
  readonly initialValues?: Partial<Values>;
  readonly saving: { readonly isPending: boolean; readonly error: Error | null };
  readonly children: ReactNode;
  /** what was typed, as the contract wants it */
  recordOf(values: Values): unknown;
  /** faults that only what was typed can tell, by field */
  faultsIn?(values: Values): Fault[];
  /** what is asked about before it is saved: pressed once more, it is saved as it is */
  asks?(record: Saved): string[];
  /** of a record that others may save meanwhile: its version as it was opened, and a newer one as it stands in the form */
  readonly versioned?: { readonly version: number | null; valuesOf(newer: object): Partial<Values> };
  save(record: Saved, then: { onSuccess(): void; onError(error: Error): void }, version: number | null): void;
  onClose(): void;
}

/** One record in a dialog: Tab from field to field, Enter saves; each fault is told at its field. */
export function RecordDialog<Values extends object, Saved>(props: Props<Values, Saved>) {
  const { title, okText, width, columns = 2, schema, initialValues, saving, children, recordOf, save, onClose } = props;
  const [form] = Form.useForm<Values>();
  const [stray, setStray] = useState<string[]>([]);
  const told = useTold();
  const [asked, setAsked] = useState<string | null>(null);
  const tell = (faults: Fault[]): void => setStray(showFaults(form, faults, told));
  const [version, setVersion] = useState(props.versioned?.version ?? null);
  const stale = props.versioned && version !== staleOf(saving.error)?.version ? staleOf(saving.error) : null;
  const submit = (at = version): void => {
    const values = form.getFieldsValue(true) as Values;
    const own = props.faultsIn?.(values) ?? [];
    const parsed = schema.safeParse(recordOf(values));
    setStray([]);
    clearFaults(form);
    if (own.length > 0 || !parsed.success) {
      tell(own.length > 0 || parsed.success ? own : faultsOf(parsed.error));
      return;
    }
    const questions = props.asks?.(parsed.data) ?? [];
    const about = JSON.stringify(parsed.data);
    if (questions.length > 0 && asked !== about) {
      setAsked(about);
      setStray([...questions, "Correct it, or save once more to keep it."]);
      return;
    }
    setVersion(at);
    save(parsed.data, { onSuccess: onClose, onError: (error) => tell(faultsOf(error)) }, at);
  };
  return (
    <EditDialog
      title={title}
      {...(okText !== undefined && { okText })}
      width={width}
      saving={stale ? { ...saving, error: null } : saving}
      faults={stray}
      onSave={() => form.submit()}
      onClose={onClose}
    >
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        onFinish={() => submit()}
        onValuesChange={() => setStray([])}
        {...(initialValues && { initialValues })}
        className={columns === 2 ? (styles["columns"] ?? "") : ""}
      >
        {stale && (
          <StaleEdit
            mine={recordOf(form.getFieldsValue(true) as Values) as object}
            theirs={withoutIdentity(stale)}
            onKeepMine={() => submit(stale.version)}
            onTakeTheirs={() => {
              form.setFieldsValue(props.versioned?.valuesOf(stale) ?? {});
              setVersion(stale.version);
            }}
          />
        )}
        {children}
        <button type="submit" hidden />
      </Form>
    </EditDialog>
  );
}
