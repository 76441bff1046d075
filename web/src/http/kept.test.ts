import { addReading } from "@sprunel/contract/rootzone";
import { QueryClient, QueryObserver } from "@tanstack/react-query";
import { describe, expect, it, vi } from "vitest";
import { FakeServer } from "../testing/fake-server.ts";
import { rootHistory } from "../testing/sample-site.ts";
import { KEPT_KEY, waitsForServer } from "./kept.ts";

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
