/** Once for every test file of the web: what a browser has and jsdom has not, and a clean page after each test. */
import "@testing-library/jest-dom/vitest";
import { lpSolver, recipe, type RecipeInput } from "@sprunel/core/feed/recipe";
import { cleanup, configure } from "@testing-library/react";
import { expose } from "comlink";
import loadHighs from "highs";
import { afterEach, vi } from "vitest";

// The first page of a run brings the component library with it; on a busy machine that takes long.
configure({ asyncUtilTimeout: 60_000 });

afterEach(() => {
  cleanup();
  document.body.replaceChildren();
  vi.unstubAllGlobals();
  localStorage.clear();
});

window.matchMedia = (query) =>
  ({
    matches: false,
    media: query,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
    addListener: () => undefined,
    removeListener: () => undefined,
  }) as unknown as MediaQueryList;
window.scrollTo = () => undefined;
Element.prototype.scrollIntoView = () => undefined;

class StillObserver {
  observe(): void {
    return undefined;
  }
  unobserve(): void {
    return undefined;
  }
  disconnect(): void {
    return undefined;
  }
}
globalThis.ResizeObserver = StillObserver;

let solver: Promise<ReturnType<typeof lpSolver>> | undefined;

/** The recipe's worker in this thread: the same sum behind the same messages. */
function workerHere(): unknown {
  const { port1, port2 } = new MessageChannel();
  const solve = async (input: RecipeInput) => {
    solver ??= loadHighs().then(lpSolver);
    return recipe(input, await solver);
  };
  expose({ solve }, port1);
  for (const port of [port1, port2]) (port as unknown as { unref?(): void }).unref?.();
  return port2;
}
globalThis.Worker = workerHere as unknown as typeof Worker;

// jsdom has no pointers to capture.
Element.prototype.setPointerCapture = () => undefined;
