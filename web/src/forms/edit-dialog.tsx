import Modal from "antd/es/modal";
import { useRef, type ReactNode } from "react";
import { Faults } from "./faults.tsx";

interface Props {
  readonly title: string;
  readonly okText?: string;
  readonly width: number;
  readonly saving: { readonly isPending: boolean; readonly error: Error | null };
  readonly faults: readonly string[];
  readonly children: ReactNode;
  onSave(): void;
  onClose(): void;
}

/**
 * A dialog to type into: the first field has the focus, what is wrong stands above the buttons, and a click beside it
 * loses nothing.
 */
export function EditDialog({ title, okText = "Save", width, saving, faults, children, onSave, onClose }: Props) {
  const fields = useRef<HTMLDivElement>(null);
  return (
    <Modal
      open
      title={title}
      okText={okText}
      onOk={onSave}
      confirmLoading={saving.isPending}
      onCancel={onClose}
      width={width}
      mask={{ closable: false }}
      styles={{ mask: { background: "rgb(20 37 31 / 18%)" } }}
      afterOpenChange={(open) => {
        // Who has begun to type while the dialog was still opening keeps the place.
        if (open && !fields.current?.contains(document.activeElement)) fields.current?.querySelector("input")?.focus();
      }}
    >
      <div ref={fields}>{children}</div>
      <Faults faults={faults} error={saving.error} />
    </Modal>
  );
}
