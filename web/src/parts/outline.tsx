import styles from "./outline.module.css";

/** Lines of a page, of different lengths, as a share of its width. */
const LINES = [34, 82, 74, 88, 61, 79];

/** Where a page will be, while its code or its figures are on their way. */
export function Outline() {
  return (
    <div className={styles["outline"]} role="progressbar" aria-label="Loading">
      {LINES.map((width, at) => (
        <span key={at} style={{ width: `${width}%` }} />
      ))}
    </div>
  );
}
