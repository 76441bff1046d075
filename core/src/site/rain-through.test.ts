import { expect, it } from "vitest";
import { rainThrough } from "./rain-through.ts";

it("comes through as it was said, all of it in the open field, and none under a roof that nobody spoke of", () => {
  expect(rainThrough(100, null)).toBe(1);
  expect(rainThrough(82, null)).toBe(0);
  expect(rainThrough(82, 85)).toBe(0.85);
  expect(rainThrough(100, 40)).toBe(0.4);
});
