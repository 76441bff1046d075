import { newDrainReadingSchema, type BoardZone } from "@sprunel/contract";
import Form from "antd/es/form";
import Modal from "antd/es/modal";
import { useState } from "react";
import { ProblemNote } from "../http/problem.tsx";
import { faultsOf, showFaults } from "../site/form-errors.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import styles from "./roots.module.css";
import { useAddReading } from "./use-readings.ts";

interface Values {
  drainPct?: number | null;
  drainEcMsCm?: number | null;
  feedEcMsCm?: number | null;
  drainPh?: number | null;
}

/** What the tray and the pen say, in seconds: Tab from field to field, Enter saves. */
export function LogReadingDialog({ zone, now, onClose }: { zone: BoardZone; now: string; onClose(): void }) {
  const [form] = Form.useForm<Values>();
  const [stray, setStray] = useState<string[]>([]);
  const add = useAddReading(zone.id);
  const lastFeedEc = zone.roots?.kind === "substrate" ? zone.roots.drain?.feedEcMsCm : undefined;
  const submit = (): void => {
    const typed = form.getFieldsValue(true) as Values;
    const values = Object.fromEntries(
      Object.entries(typed).filter(([, value]) => value !== null && value !== undefined),
    );
    const parsed = newDrainReadingSchema.safeParse({ ...values, at: now });
    if (!parsed.success) {
      setStray(showFaults(form, faultsOf(parsed.error)));
      return;
    }
    add.mutate(parsed.data, { onSuccess: onClose, onError: (error) => setStray(showFaults(form, faultsOf(error))) });
  };
  return (
    <Modal
      open
      title={`Drain reading: ${zone.name}`}
      okText="Save"
      onOk={() => form.submit()}
      confirmLoading={add.isPending}
      onCancel={onClose}
      width={420}
      styles={{ mask: { background: "rgb(20 37 31 / 18%)" } }}
      afterOpenChange={(open) => open && document.getElementById("drainPct")?.focus()}
    >
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        onFinish={submit}
        initialValues={{ feedEcMsCm: lastFeedEc }}
        className={styles["form"] ?? ""}
      >
        <Form.Item name="drainPct" label="Drain share">
          <QuantityInput unit="%" />
        </Form.Item>
        <Form.Item name="drainEcMsCm" label="Drain EC">
          <QuantityInput unit="mS/cm" />
        </Form.Item>
        <Form.Item name="drainPh" label="Drain pH">
          <QuantityInput />
        </Form.Item>
        <Form.Item
          name="feedEcMsCm"
          label="Feed EC"
          extra={lastFeedEc !== undefined && "as last read; change it if it differs"}
        >
          <QuantityInput unit="mS/cm" />
        </Form.Item>
        <button type="submit" hidden />
      </Form>
      {stray.map((message) => (
        <p key={message} role="alert" className={styles["fault"]}>
          {message}
        </p>
      ))}
      {add.isError && stray.length === 0 && <ProblemNote error={add.error} />}
    </Modal>
  );
}
