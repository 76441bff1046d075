import Button from "antd/es/button";
import Spin from "antd/es/spin";
import styles from "./files.module.css";

/** A file that is being looked at, what is being done, and the way out. */
export function Reading({ fileName, step, onStop }: { fileName: string; step: string | null; onStop(): void }) {
  return (
    <div role="status" className={styles["reading"]}>
      <Spin size="small" />
      <span>
        Reading {fileName}
        {step === null ? " …" : `: ${step} …`}
      </span>
      <Button onClick={onStop}>Stop</Button>
    </div>
  );
}
