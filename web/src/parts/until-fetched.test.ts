import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { untilFetched } from "./until-fetched.ts";

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

it("what stands beside the main thing is asked for until it comes, and not after that", async () => {
  let tries = 0;
  const fetch = (): Promise<string> =>
    ++tries < 3
      ? Promise.reject(new TypeError("Failed to fetch dynamically imported module"))
      : Promise.resolve("here");
  const fetched = untilFetched(fetch);
  await vi.advanceTimersByTimeAsync(3000);
  expect(tries).toBe(2);
  await vi.advanceTimersByTimeAsync(3000);
  expect(await fetched).toBe("here");
  await vi.advanceTimersByTimeAsync(60_000);
  expect(tries).toBe(3);
});
