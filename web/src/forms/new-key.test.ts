import { describe, expect, it } from "vitest";
import { z } from "zod";
import { newKey } from "./new-key.ts";

describe("a key for what is sent once", () => {
  it("is a UUID as the contract takes it, and never the same", () => {
    const keys = Array.from({ length: 200 }, newKey);
    for (const key of keys) expect(z.uuidv4().safeParse(key).success).toBe(true);
    expect(new Set(keys).size).toBe(200);
  });
});
