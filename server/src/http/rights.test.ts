import { RIGHTS } from "@sprunel/contract/basics";
import { addPick } from "@sprunel/contract/harvest";
import express from "express";
import { pino } from "pino";
import { describe, expect, it, onTestFinished } from "vitest";
import type { AddressInfo } from "node:net";
import { testServer } from "../testing/test-server.ts";
import { PROGRAM, type Caller } from "./caller.ts";
import { errorHandler } from "./error-handler.ts";
import { routesOf, served } from "./served.ts";

/** An endpoint that is asked by somebody of these rights; it answers in whose name it was made. */
async function askedBy(caller: Caller) {
  const app = express();
  const made = ({ actor, device }: Caller) => [served(addPick, () => ({ madeFor: `${actor} at ${device}` }) as never)];
  app.use(routesOf(made(PROGRAM), made, () => caller));
  app.use(errorHandler(pino({ level: "silent" }), () => undefined));
  const server = app.listen(0, "127.0.0.1");
  onTestFinished(() => void server.close());
  await new Promise((resolve) => server.once("listening", resolve));
  const answer = await fetch(`http://127.0.0.1:${(server.address() as AddressInfo).port}/api/zones/1/picks`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify({
      ...{ key: "7f0c1c52-3b8e-4c1e-9a52-0d9f4d1f9a11", pickedOn: "2026-06-20", clock: null, massKg: 3 },
      ...{ count: null, grade: null, brixPct: null },
    }),
  });
  return { status: answer.status, body: (await answer.json()) as Record<string, unknown> };
}

describe("what an endpoint needs", () => {
  it("is one of the words that rights are made of, at every endpoint, and no word is without an endpoint", async () => {
    const { rooms } = await testServer();
    const needed = rooms.all.flatMap(({ routes }) => routes.map(({ endpoint }) => endpoint.needs));
    for (const right of needed) expect(RIGHTS).toContain(right);
    // Health and access are the program's own.
    expect(RIGHTS.filter((right) => !needed.includes(right))).toEqual(["people"]);
  });

  it("is refused in words to whoever does not have it", async () => {
    const rights = new Set(RIGHTS.filter((right) => right !== "pick"));
    const { status, body } = await askedBy({ ...PROGRAM, rights });
    expect(status).toBe(403);
    expect(body["detail"]).toContain('needs the right "pick"');
  });

  it("lets in whoever has it, and the room that answers is made for them", async () => {
    const { status, body } = await askedBy({
      actor: "ana",
      device: "10.0.0.7",
      rights: new Set(["pick"]),
      endpoint: "",
    });
    expect([status, body["madeFor"]]).toEqual([201, "ana at 10.0.0.7"]);
  });
});
