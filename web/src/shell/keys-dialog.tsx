import Modal from "antd/es/modal";
import { KEYS } from "./use-keys.ts";

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
      <table style={{ borderSpacing: "0 6px" }}>
        <tbody>
          {KEYS.map(({ keys, does }) => (
            <tr key={keys}>
              <th scope="row" style={{ textAlign: "left", paddingRight: 24, whiteSpace: "nowrap" }}>
                <kbd style={{ font: "inherit", fontWeight: 700 }}>{keys}</kbd>
              </th>
              <td>{does}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Modal>
  );
}
