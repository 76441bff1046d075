import { request } from "node:http";
import { connect } from "node:net";
import { describe, expect, it, onTestFinished } from "vitest";
import { startServer, type RunningServer } from "../start-server.ts";
import { newFolder, site, testServer } from "../testing/test-server.ts";
import { Access, accessCode } from "./access.ts";

interface Answer {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  text: string;
}
/** As a stranger's program asks: with any head that it likes. */
function ask(url: string, headers: Record<string, string>, { method = "GET", path = "/api/health", body = "" } = {}) {
  return new Promise<Answer>((resolve, reject) => {
    const sent = request(url + path, { method, headers }, (res) => {
      let text = "";
      res.on("data", (chunk: Buffer) => (text += chunk.toString()));
      res.on("end", () => resolve({ status: res.statusCode ?? 0, headers: res.headers, text }));
    });
    sent.on("error", reject);
    sent.end(body);
  });
}
/** Open to the network, with every caller taken for another machine. */
async function opened(): Promise<{ server: RunningServer; code: string }> {
  const folder = newFolder();
  const server = await startServer({
    ...{ dataFolder: folder, port: 0, host: "0.0.0.0", logLevel: "silent", kept: false },
    isLocal: () => false,
  });
  onTestFinished(() => server.stop());
  return { server, code: accessCode(folder).code };
}

describe("the program on this machine alone", () => {
  it.each(["evil.example", "evil.example:5180", "127.0.0.1.evil.example", "a b", "[::1"])(
    "does not answer under the name %j, neither to read nor to write",
    async (host) => {
      const { url, db } = await testServer();
      for (const method of ["GET", "POST"]) {
        const answer = await ask(
          url,
          { host, "Content-Type": "application/json" },
          { method, path: "/api/site", body: JSON.stringify(site) },
        );
        expect([answer.status >= 400 && answer.status < 500, answer.text]).toEqual([
          true,
          expect.not.stringContaining("Testing Hill"),
        ]);
      }
      expect(await db("site")).toEqual([]);
    },
  );

  it.each(["localhost:5180", "127.0.0.1", "[::1]:99"])("answers under its own name %s", async (host) => {
    const { url } = await testServer();
    expect((await ask(url, { host })).status).toBe(200);
  });

  it("lets no page of a stranger write", async () => {
    const { url, db } = await testServer();
    for (const origin of ["http://evil.example", "null", "http://127.0.0.1.evil.example", "file://"]) {
      const answer = await ask(
        url,
        { origin, "Content-Type": "application/json" },
        { method: "POST", path: "/api/site", body: JSON.stringify(site) },
      );
      expect([origin, answer.status]).toEqual([origin, 403]);
    }
    expect(await db("site")).toEqual([]);
    expect((await ask(url, { origin: url })).status).toBe(200);
  });

  it("answers under a name that was listed", () => {
    const access = new Access({ host: "127.0.0.1", names: ["Nursery.example"], code: null, isLocal: () => true });
    let passed = 0;
    const req = { headers: { host: "nursery.example:5180" }, method: "GET", query: {}, socket: {} };
    void access.guard(req as never, {} as never, () => passed++);
    expect(passed).toBe(1);
  });
});

describe("the program on the nursery's network", () => {
  it("asks another machine for the code before it shows or takes anything", async () => {
    const { server } = await opened();
    const data = await ask(server.url, { accept: "application/json" });
    expect([data.status, JSON.parse(data.text)]).toMatchObject([401, { type: "/problems/no-code" }]);
    const page = await ask(server.url, { accept: "text/html" }, { path: "/" });
    expect([page.status, page.text]).toEqual([401, expect.stringContaining("The code of this nursery")]);
    const write = await ask(
      server.url,
      { "Content-Type": "application/json" },
      { method: "POST", path: "/api/site", body: JSON.stringify(site) },
    );
    expect(write.status).toBe(401);
  });

  it("lets in whoever types the code, and keeps it as a cookie out of the address", async () => {
    const { server, code } = await opened();
    const typed = `${code.slice(0, 4)}-${code.slice(4, 8)}-${code.slice(8)}`.toLowerCase();
    const entered = await ask(server.url, {}, { path: `/zones/1/run?code=${typed}` });
    expect([entered.status, entered.headers["location"]]).toEqual([303, "/zones/1/run"]);
    const [cookie = ""] = [entered.headers["set-cookie"] ?? []].flat();
    expect(cookie).toMatch(/HttpOnly; SameSite=Strict/);
    expect((await ask(server.url, { cookie: cookie.split(";")[0] ?? "" })).status).toBe(200);
    expect((await ask(server.url, { cookie: "sprunel=AAAAAAAAAAAA" })).status).toBe(401);
    const wrong = await ask(server.url, {}, { path: "/?code=AAAA-AAAA-AAAA" });
    expect([wrong.status, wrong.headers["set-cookie"]]).toEqual([401, undefined]);
  });

  it("lets a calendar without the code read the calendar's own address, and nothing else", async () => {
    const { server, code } = await opened();
    const get = (path: string, headers: Record<string, string> = {}) => ask(server.url, headers, { path });
    const told = await get("/api/calendar-address", { cookie: `sprunel=${code}` });
    const { path } = JSON.parse(told.text) as { path: string };
    // There is no site yet: it got as far as the crops.
    expect((await get(path)).status).toBe(404);
    expect((await get(path)).text).toContain("A site");
    for (const other of [
      "/api/calendar-address",
      "/api/crop-calendar.csv",
      `${path}/../../board`,
      "/api/calendar/../board",
    ])
      expect([other, (await get(other)).status]).toEqual([other, 401]);
    const written = await ask(server.url, {}, { method: "POST", path });
    expect(written.status).toBe(401);
  });

  it("tells by which address and code a tablet gets in, made once for a data folder", async () => {
    const { server, code } = await opened();
    const answer = await ask(server.url, { cookie: `sprunel=${code}` }, { path: "/api/access" });
    expect(JSON.parse(answer.text)).toMatchObject({
      open: true,
      code: `${code.slice(0, 4)}-${code.slice(4, 8)}-${code.slice(8)}`,
    });
    const folder = newFolder();
    expect([accessCode(folder).isNew, accessCode(folder).isNew]).toEqual([true, false]);
    const alone = await testServer();
    expect((await alone.call("GET", "/api/access")).body).toEqual({ open: false, addresses: [], code: null });
  });
});

describe("what is no proper request", () => {
  const problem = { status: expect.any(Number) as number, detail: expect.any(String) as string };

  it.each([
    ["a page that cannot be posted to", { method: "POST", path: "/" }, {}, 404],
    ["a method that an address does not take", { method: "DELETE", path: "/api/board" }, {}, 405],
    ["a file that is not there", { path: "/assets/none.js" }, {}, 404],
    ["an address written wrongly", { path: "/assets/%E0%A4%A" }, {}, 400],
    [
      "a packing that nobody knows",
      { method: "POST", path: "/api/site", body: "x" },
      { "content-encoding": "zzz" },
      415,
    ],
    [
      "an alphabet that nobody knows",
      { method: "POST", path: "/api/site", body: "{}" },
      { "content-type": "application/json; charset=klingon" },
      415,
    ],
    ["what is not JSON", { method: "POST", path: "/api/site", body: "{" }, {}, 422],
  ])("is refused in our words: %s", async (_what, asking, headers, status) => {
    const { url } = await testServer();
    const answer = await ask(url, { "content-type": "application/json", ...headers }, asking);
    expect([answer.headers["content-type"], JSON.parse(answer.text)]).toMatchObject([
      expect.stringContaining("application/problem+json"),
      problem,
    ]);
    expect(status === 400 ? [400, 404, 422] : [status]).toContain(answer.status);
  });

  it("is refused in our words where it is no request at all", async () => {
    const { url } = await testServer();
    const text = await new Promise<string>((resolve) => {
      const socket = connect(Number(new URL(url).port), "127.0.0.1", () => socket.write("what is this\r\n\r\n"));
      let got = "";
      socket.on("data", (chunk) => (got += chunk.toString()));
      socket.on("close", () => resolve(got));
    });
    expect(text).toContain("application/problem+json");
    expect(text).toContain("This is no request that can be read.");
  });
});
