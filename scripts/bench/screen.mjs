import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { constants, gzipSync } from "node:zlib";
import { chromium } from "@playwright/test";
import { root } from "../prepare.mjs";
import { figure, percentile, timed, url } from "./measure.mjs";

/** Scripts that a browser fetches before the board shows: what index.html names, and the board's own chunks. */
export function firstScreenKb() {
  const assets = join(root, "web/dist/assets");
  const seen = new Set();
  const follow = (name) => {
    if (seen.has(name)) return;
    seen.add(name);
    const code = readFileSync(join(assets, name), "utf8");
    for (const match of code.matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g)) follow(match[1]);
  };
  for (const match of readFileSync(join(root, "web/dist/index.html"), "utf8").matchAll(/assets\/([^"]+\.js)/g))
    follow(match[1]);
  for (const name of readdirSync(assets)) if (/^board-page-.*\.js$/.test(name)) follow(name);
  return (
    [...seen].reduce(
      (sum, name) => sum + gzipSync(readFileSync(join(assets, name)), { level: constants.Z_BEST_COMPRESSION }).length,
      0,
    ) / 1000
  );
}

/** What a person waits for at the screen, in Debian's Chromium. */
export async function inTheBrowser() {
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-background-networking"],
  });
  const shown = [];
  const longest = [];
  for (let round = 0; round < 6; round++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addInitScript(() => {
      window.tasks_ = [];
      new PerformanceObserver((list) => {
        for (const { duration } of list.getEntries()) window.tasks_.push(duration);
      }).observe({ type: "longtask", buffered: true });
    });
    const page = await context.newPage();
    await page.goto(url, { waitUntil: "commit" });
    await page.locator("[data-figure=litres]").first().waitFor();
    shown.push((await page.evaluate(() => performance.now())) / 1000);
    longest.push(await page.evaluate(() => Math.max(0, ...window.tasks_)));
    await context.close();
  }
  // The first visit also starts the browser's own processes.
  const [seconds, taskMs] = [shown, longest].map((times) => percentile(times.slice(1), 0.5));
  await figure("first screen, from address to the board's figures, median", seconds, "s", 1.5);
  await figure("longest task until then, median", taskMs, "ms", 200);

  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${url}/zones/1/feed`);
  await page.getByRole("region", { name: "Tank A" }).waitFor();
  const pictureMs = percentile(await keyToPicture(page), 0.95);
  await figure("recipe, from key to new picture, p95", pictureMs, "ms", 100);
  await page.goto(url);
  await page.locator("[data-figure=litres]").first().waitFor();
  const savedMs = percentile(await keyToSaved(page), 0.95);
  await figure("drain reading, from key to saved, p95", savedMs, "ms", 200);
  await browser.close();
}

/** Digits typed into a target, each until the delivered amount beside it has changed on the screen. */
async function keyToPicture(page) {
  const input = page.getByLabel("Target of K in mmol/L");
  const times = [];
  for (let round = 0; round < 44; round++) {
    // Never the same number twice: a question that was solved before is answered from memory.
    await input.fill((7 + round / 50).toFixed(2));
    await page.waitForTimeout(150);
    times.push(
      await input.evaluate(
        (element, digit) =>
          new Promise((resolve) => {
            const shown = element.closest("[role=row], tr, li") ?? document.body;
            const before = shown.textContent;
            const start = performance.now();
            const look = () =>
              shown.textContent === before ? requestAnimationFrame(look) : resolve(performance.now() - start);
            Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(element, digit);
            element.dispatchEvent(new Event("input", { bubbles: true }));
            requestAnimationFrame(look);
          }),
        (8.2 + round / 50).toFixed(2),
      ),
    );
  }
  return times.slice(4);
}

/** Enter in the log of a reading, until the server has answered that it is kept. */
async function keyToSaved(page) {
  const times = [];
  for (let round = 0; round < 42; round++) {
    await page.keyboard.press("l");
    const share = page.getByLabel("Drain share");
    await share.fill("25");
    const kept = page.waitForResponse((answer) => answer.url().endsWith("/readings") && answer.status() === 201);
    times.push(
      await timed(async () => {
        await page.keyboard.press("Enter");
        await kept;
      }),
    );
    await share.waitFor({ state: "detached" });
  }
  return times.slice(2);
}

/** How long each frame takes while a pulse is dragged to and fro along the day of all zones, ms. */
export async function framesWhileDragging() {
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-background-networking"],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${url}/run`);
  const bar = page.getByRole("button", { name: /, planned/ }).first();
  await bar.waitFor();
  await bar.scrollIntoViewIfNeeded();
  const box = await bar.boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.evaluate(() => {
    window.frames_ = [];
    let last = performance.now();
    const look = (now) => {
      window.frames_.push(now - last);
      last = now;
      requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
  });
  for (let step = 0; step < 120; step++) {
    await page.mouse.move(x + 60 * Math.sin(step / 8), y);
    await page.waitForTimeout(10);
  }
  const frames = await page.evaluate(() => window.frames_.slice(2));
  await page.mouse.move(x, y);
  await page.mouse.up();
  await browser.close();
  return frames;
}
