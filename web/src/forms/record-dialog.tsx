import Form from "antd/es/form";
import { useState, type ReactNode } from "react";
import type { z } from "zod";
import { EditDialog } from "./edit-dialog.tsx";
import { faultsOf, showFaults } from "./form-errors.ts";
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
  save(record: Saved, then: { onSuccess(): void; onError(error: Error): void }): void;
  onClose(): void;
}

/** One record in a dialog: Tab from field to field, Enter saves; each fault is told at its field. */
export function RecordDialog<Values extends object, Saved>(props: Props<Values, Saved>) {
  const { title, okText, width, columns = 2, schema, initialValues, saving, children, recordOf, save, onClose } = props;
  const [form] = Form.useForm<Values>();
  const [stray, setStray] = useState<string[]>([]);
  const tell = (faults: ReturnType<typeof faultsOf>): void => setStray(showFaults(form, faults));
  const submit = (): void => {
    const parsed = schema.safeParse(recordOf(form.getFieldsValue(true) as Values));
    setStray([]);
    if (parsed.success) save(parsed.data, { onSuccess: onClose, onError: (error) => tell(faultsOf(error)) });
    else tell(faultsOf(parsed.error));
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
        {...(initialValues && { initialValues })}
        className={columns === 2 ? (styles["columns"] ?? "") : ""}
      >
        {children}
        <button type="submit" hidden />
      </Form>
    </EditDialog>
  );
}
