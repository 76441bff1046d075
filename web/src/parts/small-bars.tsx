import styles from "./small-bars.module.css";

/** A value against its band on a line. */
export function TargetBar({ value, from, to, most }: { value: number; from: number; to: number; most: number }) {
  const at = (amount: number): number => Math.min(100, Math.max(0, (100 * amount) / most));
  return (
    <svg width="100%" height="10" role="presentation" className={styles["bars"]}>
      <rect y="3" width="100%" height="4" rx="2" fill="var(--band)" />
      <rect y="3" x={`${at(from)}%`} width={`${at(to) - at(from)}%`} height="4" fill="var(--water)" />
      <rect x={`calc(${at(value)}% - 1.5px)`} width="3" height="10" fill="var(--ink)" />
    </svg>
  );
}

/** How far a stage has come. */
export function StageBar({ share }: { share: number }) {
  return (
    <svg width="100%" height="6" role="presentation" className={styles["bars"]}>
      <rect width="100%" height="5" rx="2.5" fill="#dfe6d3" />
      <rect width={`${Math.min(1, share) * 100}%`} height="5" rx="2.5" fill="var(--plant)" />
    </svg>
  );
}

/** A value among those that may be: the band in the middle of the line, a band's width to either side. */
export function BandBar({ value, from, to }: { value: number; from: number; to: number }) {
  const width = to - from;
  return <TargetBar value={value - from + width} from={width} to={2 * width} most={3 * width} />;
}
