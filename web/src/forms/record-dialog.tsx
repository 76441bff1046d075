import Form from "antd/es/form";
import { useState, type ReactNode } from "react";
import type { z } from "zod";
import { EditDialog } from "./edit-dialog.tsx";
import { clearFaults, faultsOf, showFaults, type Fault } from "./form-errors.ts";
import styles from "./forms.module.css";

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
  save(record: Saved, then: { onSuccess(): void; onError(error: Error): void }): void;
  onClose(): void;
}

/** One record in a dialog: Tab from field to field, Enter saves; each fault is told at its field. */
export function RecordDialog<Values extends object, Saved>(props: Props<Values, Saved>) {
  const { title, okText, width, columns = 2, schema, initialValues, saving, children, recordOf, save, onClose } = props;
  const [form] = Form.useForm<Values>();
  const [stray, setStray] = useState<string[]>([]);
  const [asked, setAsked] = useState<string | null>(null);
  const tell = (faults: Fault[]): void => setStray(showFaults(form, faults));
  const submit = (): void => {
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
    save(parsed.data, { onSuccess: onClose, onError: (error) => tell(faultsOf(error)) });
  };
  return (
    <EditDialog
      title={title}
      {...(okText !== undefined && { okText })}
      width={width}
      saving={saving}
      faults={stray}
      onSave={() => form.submit()}
      onClose={onClose}
    >
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        onFinish={submit}
        onValuesChange={() => setStray([])}
        {...(initialValues && { initialValues })}
        className={columns === 2 ? (styles["columns"] ?? "") : ""}
      >
        {children}
        <button type="submit" hidden />
      </Form>
    </EditDialog>
  );
}
