import tab from "./tab.module.css";
import styles from "./views.module.css";

/** The parts of a page side by side, one of them shown. */
export function Views<View extends string>({
  label,
  views,
  shown,
  onShow,
}: {
  label: string;
  views: Readonly<Record<View, string>>;
  shown: View;
  onShow(view: View): void;
}) {
  return (
    <nav className={styles["views"]} aria-label={label}>
      {(Object.entries(views) as [View, string][]).map(([id, name]) => (
        <button
          key={id}
          type="button"
          className={tab["tab"]}
          aria-current={shown === id ? "page" : undefined}
          onClick={() => onShow(id)}
        >
          {name}
        </button>
      ))}
    </nav>
  );
}
