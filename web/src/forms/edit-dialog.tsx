import Button from "antd/es/button";
import Modal from "antd/es/modal";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { Faults } from "./faults.tsx";
import styles from "./forms.module.css";

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
 * A dialog to type into: the first field has the focus, what is wrong stands above the buttons, and neither a click beside it
 * nor Escape loses what was typed. Afterwards the focus is back where it was.
 */
export function EditDialog({ title, okText = "Save", width, saving, faults, children, onSave, onClose }: Props) {
  const fields = useRef<HTMLDivElement>(null);
  const typed = useRef(false);
  const [asking, setAsking] = useState(false);
  const [before] = useState(() => document.activeElement);
  useEffect(
    () => () => {
      if (before instanceof HTMLElement && before.isConnected) before.focus();
    },
    [before],
  );
  const close = (): void => {
    if (typed.current && !asking) setAsking(true);
    else onClose();
  };
  return (
    <Modal
      open
      title={title}
      okText={okText}
      onOk={onSave}
      confirmLoading={saving.isPending}
      onCancel={close}
      width={width}
      mask={{ closable: false }}
      styles={{ mask: { background: "rgb(20 37 31 / 18%)" } }}
      {...(asking && { footer: <Unsaved onStay={() => setAsking(false)} onLeave={onClose} /> })}
      afterOpenChange={(open) => {
        // Who has begun to type while the dialog was still opening keeps the place.
        if (open && !fields.current?.contains(document.activeElement)) fields.current?.querySelector("input")?.focus();
      }}
    >
      <div ref={fields} onInput={() => (typed.current = true)}>
        {children}
      </div>
      <Faults faults={faults} error={saving.error} />
    </Modal>
  );
}

function Unsaved({ onStay, onLeave }: { onStay(): void; onLeave(): void }) {
  return (
    <div role="alert" className={styles["unsaved"]}>
      <span>What you typed is not saved.</span>
      <Button onClick={onLeave}>Throw it away</Button>
      <Button type="primary" autoFocus onClick={onStay}>
        Go on typing
      </Button>
    </div>
  );
}
