import Modal from "antd/es/modal";
import { KEYS } from "./use-keys.ts";
import styles from "./keys-dialog.module.css";

export function KeysDialog({ onClose }: { onClose(): void }) {
  return (
    <Modal
      open
      title="Keys"
      footer={null}
      onCancel={onClose}
      width={520}
      styles={{ mask: { background: "rgb(20 37 31 / 18%)" } }}
    >
      <table className={styles["keys"]}>
        <tbody>
          {KEYS.map(({ keys, does }) => (
            <tr key={keys}>
              <th scope="row">
                <kbd>{keys}</kbd>
              </th>
              <td>{does}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Modal>
  );
}
