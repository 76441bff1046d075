import { addReading } from "@sprunel/contract/rootzone";
import { hydrate, QueryClient, QueryObserver } from "@tanstack/react-query";
import { describe, expect, it, vi } from "vitest";
import { FakeServer } from "../testing/fake-server.ts";
import { rootHistory } from "../testing/sample-site.ts";
import { KEPT_KEY, resumeKept, waitsForServer } from "./kept.ts";

describe("what a page asked before something that waited was sent", () => {
  it("is asked anew, also where its first answer was still on its way", async () => {
    new FakeServer().on(addReading, rootHistory);
    const client = new QueryClient();
    waitsForServer(client);
    const answers: (() => void)[] = [];
    let stored = "nothing";
    const page = new QueryObserver(client, {
      queryKey: ["page"],
      networkMode: "always",
      queryFn: ({ signal: _signal }) => {
        const read = stored;
        return new Promise<string>((resolve) => answers.push(() => resolve(read)));
      },
    });
    const leave = page.subscribe(() => undefined);
    await vi.waitFor(() => expect(answers).toHaveLength(1));
    stored = "a reading";
    const sending = client
      .getMutationCache()
      .build(client, client.defaultMutationOptions({ mutationKey: [KEPT_KEY, "reading"] }))
      .execute({ params: { id: 1 }, body: { at: "2026-06-16T06:00:00.000Z", drainPct: 20 } });
    await vi.waitFor(() => expect(answers).toHaveLength(2));
    answers.forEach((answer) => answer());
    await sending;
    expect(page.getCurrentResult().data).toBe("a reading");
    leave();
  });
});

describe("what was under way when the page was closed", () => {
  it("is sent once more, in its place, and holds up nothing that is said later", async () => {
    const server = new FakeServer().on(addReading, rootHistory);
    const client = new QueryClient();
    waitsForServer(client);
    const call = (drainPct: number) => ({ params: { id: 1 }, body: { at: "2026-06-16T06:00:00.000Z", drainPct } });
    const underWay = {
      ...{ context: undefined, data: undefined, error: null, failureCount: 0, failureReason: null },
      ...{ isPaused: false, status: "pending" as const, submittedAt: 1, variables: call(20) },
    };
    hydrate(client, {
      queries: [],
      mutations: [{ mutationKey: [KEPT_KEY, "reading"], scope: { id: KEPT_KEY }, state: underWay }],
    });
    await resumeKept(client);
    await client
      .getMutationCache()
      .build(client, client.defaultMutationOptions({ mutationKey: [KEPT_KEY, "reading"] }))
      .execute(call(25));
    expect(server.sent(addReading)).toMatchObject([{ drainPct: 20 }, { drainPct: 25 }]);
  });
});
