// From a fresh clone to the board's figures on a screen, beside the installation of the same packages alone.
import { execFileSync, spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { root } from "../prepare.mjs";
import { figure, timed } from "./measure.mjs";

const PORT = 5190;

const cloned = (into) => execFileSync("git", ["clone", "-q", root, into]);

/** Waits for the first litres on the board, in a browser that runs already. */
async function untilBoard(browser, url) {
  const page = await browser.newPage();
  for (;;) {
    const isThere = await page.goto(url).then(
      () => true,
      () => false,
    );
    if (isThere) break;
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  await page.locator("[data-figure=litres]").first().waitFor();
}

export async function cloneToScreen() {
  const folder = mkdtempSync(join(tmpdir(), "sprunel-clone-"));
  const [bare, whole] = ["bare", "whole"].map((name) => join(folder, name));
  cloned(bare);
  const installS =
    (await timed(() => execFileSync("npm", ["ci", "--loglevel=error"], { cwd: bare, stdio: "ignore" }))) / 1000;
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-background-networking"],
  });
  let demo;
  let failed;
  const seconds =
    (await timed(async () => {
      cloned(whole);
      demo = spawn("npm", ["run", "demo"], {
        cwd: whole,
        env: { ...process.env, PORT: String(PORT), SPRUNEL_DATA: join(folder, "data") },
        stdio: ["ignore", "ignore", "inherit"],
        detached: true,
      });
      failed = new Promise((_, reject) =>
        demo.once("exit", (code) => reject(new Error(`The demo of a fresh clone ended with ${code}.`))),
      );
      await Promise.race([failed, untilBoard(browser, `http://127.0.0.1:${PORT}/`)]);
    })) / 1000;
  await browser.close();
  process.kill(-demo.pid, "SIGTERM");
  await failed.catch(() => undefined);
  rmSync(folder, { recursive: true, force: true });
  await figure("from a fresh clone to the board on a screen", seconds, "s", 3 * installS, {
    name: "npm ci alone",
    value: installS,
  });
}
