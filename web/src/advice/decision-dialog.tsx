import { newDecisionSchema, type NewDecision, type Proposal } from "@sprunel/contract/advice";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { RecordDialog } from "../forms/record-dialog.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import { useDecide } from "./use-decide.ts";

interface Props {
  readonly kind: "changed" | "dismissed";
  readonly title: string;
  readonly zoneId: number;
  readonly subject: Pick<NewDecision, "key" | "cause" | "about" | "date">;
  readonly proposal: Proposal | null;
  onClose(): void;
}

interface Values {
  reason?: string;
  correction?: { demandFactor?: number | null; drainSharePct?: number | null };
}

/** A correction in the person's own numbers, or the reason why none is wanted. */
export function DecisionDialog({ kind, title, zoneId, subject, proposal, onClose }: Props) {
  const decide = useDecide(zoneId);
  return (
    <RecordDialog<Values, NewDecision>
      title={title}
      okText={kind === "changed" ? "Use these" : "Not now"}
      width={440}
      columns={1}
      schema={newDecisionSchema}
      initialValues={proposal ? { correction: proposal.correction } : {}}
      recordOf={({ reason = "", correction }) => ({
        verdict: kind,
        ...subject,
        ...(kind === "dismissed"
          ? { reason }
          : {
              correction: {
                demandFactor: correction?.demandFactor ?? undefined,
                drainSharePct: correction?.drainSharePct ?? null,
              },
            }),
      })}
      saving={decide}
      save={decide.mutate}
      onClose={onClose}
    >
      {kind === "changed" ? (
        <>
          <Form.Item
            name={["correction", "demandFactor"]}
            label="The plants take up"
            extra="1 is the model as it stands"
          >
            <QuantityInput unit="times the model" />
          </Form.Item>
          <Form.Item
            name={["correction", "drainSharePct"]}
            label="Let run out"
            extra="empty: the drain target of the stage"
          >
            <QuantityInput unit="% of what is given" />
          </Form.Item>
        </>
      ) : (
        <Form.Item name="reason" label="Why not? It stays quiet until something new is read.">
          <Input placeholder="As: drippers were cleaned this morning" />
        </Form.Item>
      )}
    </RecordDialog>
  );
}
