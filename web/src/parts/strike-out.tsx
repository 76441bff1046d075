import Button from "antd/es/button";
import Input from "antd/es/input";
import Popconfirm from "antd/es/popconfirm";
import { useState } from "react";

interface Props {
  readonly what: string;
  readonly example: string;
  onStrike(reason: string): void;
}

/** What was noted is never erased: it is struck out, and says why. */
export function StrikeOut({ what, example, onStrike }: Props) {
  const [reason, setReason] = useState("");
  return (
    <Popconfirm
      title={`Strike this ${what} out?`}
      description={
        <Input
          placeholder={`Why? As: ${example}`}
          aria-label="Reason"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      }
      okText="Strike out"
      okButtonProps={{ disabled: reason.trim() === "" }}
      onConfirm={() => {
        onStrike(reason);
        setReason("");
      }}
    >
      <Button type="link" size="small">
        strike out
      </Button>
    </Popconfirm>
  );
}
