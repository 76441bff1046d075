import Button from "antd/es/button";
import Upload from "antd/es/upload";
import { useState, type ReactNode } from "react";
import { ProblemNote } from "../parts/problem.tsx";

/** A button that reads one file in the browser. */
export function FileButton({
  accept,
  onBytes,
  children,
}: {
  accept: string;
  onBytes(bytes: Uint8Array): void;
  children: ReactNode;
}) {
  const [readError, setReadError] = useState<Error | null>(null);
  const choose = (file: File): false => {
    setReadError(null);
    file.arrayBuffer().then(
      (buffer) => onBytes(new Uint8Array(buffer)),
      () => setReadError(new Error(`${file.name} cannot be read; is it open in another program?`)),
    );
    return false;
  };
  return (
    <>
      <Upload accept={accept} showUploadList={false} beforeUpload={choose}>
        <Button>{children}</Button>
      </Upload>
      {readError && <ProblemNote error={readError} />}
    </>
  );
}
