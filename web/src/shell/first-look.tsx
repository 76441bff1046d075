import { renderToStaticMarkup } from "react-dom/server";
import { MemoryRouter } from "react-router";
import { Outline } from "../parts/outline.tsx";
import { Brand } from "./brand.tsx";
import { PathAxis } from "./path-axis.tsx";
import styles from "./shell.module.css";

/** The shell as HTML, with its path and the outline of a page: what a browser shows until the program runs in it. */
export function firstLook(): string {
  return renderToStaticMarkup(
    <MemoryRouter>
      <div className={styles["shell"]}>
        <Brand where={undefined} />
        <PathAxis board={undefined} />
        <main className={styles["main"]}>
          <Outline />
        </main>
      </div>
    </MemoryRouter>,
  );
}
