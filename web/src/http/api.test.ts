import { getReadingsTable, strikeReading } from "@sprunel/contract/rootzone";
import { addressOf } from "@sprunel/contract/basics";
import { getFeedCosts } from "@sprunel/contract/feed";
import { getSetUp } from "@sprunel/contract/site";
import { getBoard } from "@sprunel/contract/today";
import { describe, expect, it, vi } from "vitest";
import { FakeServer, refusal } from "../testing/fake-server.ts";
import { board, setUp } from "../testing/sample-site.ts";
import { ApiError, ask, askFollowed, askLines, LostServerError } from "./api.ts";

describe("asking the server", () => {
  it("sends what the endpoint takes to its address and reads the answer by its schema", async () => {
    const server = new FakeServer().on(getBoard, board());
    const answer = await ask(getBoard, { query: { date: "2026-06-16" } });
    expect(answer.zones).toHaveLength(3);
    expect(server.calls).toMatchObject([{ query: { date: "2026-06-16" }, body: undefined }]);
  });

  it("leaves out of the address what was not chosen", async () => {
    const server = new FakeServer().on(getBoard, board());
    await ask(getBoard, { query: { date: null } });
    expect(server.calls).toMatchObject([{ query: {} }]);
  });

  it("tells a refusal with the server's own words and paths", async () => {
    new FakeServer().on(
      strikeReading,
      refusal(422, "Give a reason.", { errors: [{ path: "reason", message: "Give a reason." }] }),
    );
    const asked = ask(strikeReading, { params: { id: 1 }, body: { at: "2026-06-16T06:00:00.000Z", reason: "x" } });
    await expect(asked).rejects.toBeInstanceOf(ApiError);
    await expect(asked).rejects.toMatchObject({ message: "Give a reason.", problem: { errors: [{ path: "reason" }] } });
  });

  it("says that the server does not answer when nothing comes back, or something that is no answer", async () => {
    const server = new FakeServer().on(getSetUp, setUp([]));
    server.lose();
    await expect(ask(getSetUp, {})).rejects.toBeInstanceOf(LostServerError);
    vi.stubGlobal("fetch", () => Promise.resolve(new Response("<html>", { status: 502 })));
    await expect(ask(getSetUp, {})).rejects.toThrow("The server does not answer");
  });

  it("lets a question that was given up stay given up", async () => {
    const given = new DOMException("given up", "AbortError");
    vi.stubGlobal("fetch", () => Promise.reject(given));
    await expect(ask(getSetUp, {})).rejects.toBe(given);
  });

  it("hands on lines one by one, as they come", async () => {
    new FakeServer().on(getFeedCosts, [
      { done: 1, of: 2 },
      { zones: [], stockKg: {} },
    ] as never);
    const lines: object[] = [];
    await askLines(getFeedCosts, {}, (line) => lines.push(line));
    expect(lines).toEqual([
      { done: 1, of: 2 },
      { zones: [], stockKg: {} },
    ]);
  });

  it("hears what is being done of what takes long, and reads its end", async () => {
    const server = new FakeServer().on(getBoard, board()).inSteps(getBoard, ["opening", "looking at 3 rows"]);
    const steps: string[] = [];
    const answer = await askFollowed(getBoard, {}, (step) => steps.push(step));
    expect([steps, answer.zones.length]).toEqual([["opening", "looking at 3 rows"], 3]);
    server.on(getBoard, refusal(422, "The workbook is locked."));
    await expect(askFollowed(getBoard, {}, () => undefined)).rejects.toThrow("The workbook is locked.");
  });

  it("takes an answer that tells no steps as it is", async () => {
    new FakeServer().on(getBoard, board());
    const answer = await askFollowed(getBoard, {}, () => expect.unreachable());
    expect(answer.zones).toHaveLength(3);
  });

  it("writes an address with its parts in their places", () => {
    expect(addressOf(getReadingsTable, { id: 12 })).toBe("/api/zones/12/readings.csv");
    expect(addressOf({ path: "/api/shelf/:productId" }, { productId: "a/b c" }, { date: "2026-01-01", x: null })).toBe(
      "/api/shelf/a%2Fb%20c?date=2026-01-01",
    );
  });
});
