import { expect, it } from "vitest";
import { drawnShare } from "./plan-service.ts";

it("what is drawn of what is given is told over all days, and is all of it where nothing is given", () => {
  const [flooded, dripped] = [
    { givenL: 2000, drawnL: 500 },
    { givenL: 1000, drawnL: 1000 },
  ];
  expect(drawnShare([flooded, null])).toBe(0.25);
  expect(drawnShare([flooded, dripped])).toBe(0.5);
  expect(drawnShare([null, { givenL: 0, drawnL: 0 }])).toBe(1);
});
