import type { Pace } from "@sprunel/contract/basics";
import { describe, expect, it } from "vitest";
import { testServer } from "../testing/test-server.ts";

describe("the program's clock", () => {
  it("is told, and cannot be steered where it is the real one", async () => {
    const { call } = await testServer({ now: "2026-06-20T08:00:00Z" });
    expect((await call("GET", "/api/clock")).body).toEqual({ now: "2026-06-20T08:00:00.000Z", pace: null });
    expect((await call("PUT", "/api/clock", { pace: "paused" })).status).toBe(404);
    expect((await call("POST", "/api/clock/start-again")).status).toBe(404);
  });

  it("is steered where it is a demonstration's own", async () => {
    let pace: Pace = "real";
    let begun = 0;
    const steered = {
      now: () => Date.parse("2026-06-16T04:10:00Z"),
      get pace() {
        return pace;
      },
      setPace: (next: Pace) => (pace = next),
      startAgain: () => begun++,
    };
    const { call } = await testServer({ steered });
    expect((await call("PUT", "/api/clock", { pace: "minute-a-second" })).body).toEqual({
      now: "2026-06-16T04:10:00.000Z",
      pace: "minute-a-second",
    });
    expect((await call("POST", "/api/clock/start-again")).status).toBe(201);
    expect(begun).toBe(1);
    const wrong = await call("PUT", "/api/clock", { pace: "fast" });
    expect([wrong.status, wrong.body.errors?.[0]?.path]).toEqual([422, "pace"]);
  });
});
