import { describe, expect, it } from "vitest";
import { sampleFile, site, testServer } from "../testing/test-server.ts";

async function asking() {
  const server = await testServer();
  await server.call("POST", "/api/site", site);
  const preview = (file: object, init: RequestInit = {}) =>
    fetch(`${server.url}/api/weather/previews`, {
      method: "POST",
      body: JSON.stringify(file),
      headers: { "Content-Type": "application/json", Accept: "application/x-ndjson" },
      ...init,
    });
  return { server, preview };
}

const linesOf = async (response: Response): Promise<Record<string, unknown>[]> =>
  (await response.text())
    .trim()
    .split("\n")
    .map((line) => JSON.parse(line) as Record<string, unknown>);

describe("what takes long", () => {
  it("tells its steps line by line to who asks for them, and ends with the same answer as without", async () => {
    const { server, preview } = await asking();
    // A file that no other test sends: the worker remembers the last one that it has opened.
    const rows = Array.from({ length: 500 }, (_, at) => `${new Date(at * 3_600_000).toISOString()},${(at % 7) + 11}`);
    const text = `time,T (°C)\n${rows.join("\n")}\n`;
    const file = { fileName: "a.csv", contentBase64: Buffer.from(text).toString("base64"), choices: {} };
    const response = await preview(file);
    expect(response.headers.get("content-type")).toBe("application/x-ndjson");
    const lines = await linesOf(response);
    expect(lines.slice(0, -1).map(({ step }) => step)).toEqual([
      expect.stringMatching(/^opening a file of 0\.\d\d MB$/),
      expect.stringMatching(/^looking at \d+ rows$/),
      "comparing it with what is stored",
    ]);
    const plain = await server.call("POST", "/api/weather/previews", file);
    expect(plain.type).toMatch("application/json");
    expect(lines.at(-1)).toEqual({ answer: plain.body });
  });

  it("ends with what went wrong, in the words of a refusal", async () => {
    const { preview } = await asking();
    const lines = await linesOf(await preview({ fileName: "a.csv", contentBase64: btoa("no table"), choices: {} }));
    expect(lines.at(-1)).toMatchObject({
      problem: { status: 422, errors: [{ path: "file", message: expect.stringMatching(/no table/) as string }] },
    });
  });

  it("is refused with its own status while it has not begun", async () => {
    const { preview } = await asking();
    const response = await preview({ fileName: "a.csv" });
    expect([response.status, response.headers.get("content-type")]).toEqual([
      422,
      expect.stringMatching("application/problem\\+json"),
    ]);
  });

  it("is broken off when whoever asked has gone, and the next is answered", async () => {
    const { server, preview } = await asking();
    const rows = Array.from({ length: 300_000 }, (_, at) => `${new Date(at * 3_600_000).toISOString()},${at % 30}`);
    const long = { fileName: "a.csv", contentBase64: btoa(`time,T (°C)\n${rows.join("\n")}\n`), choices: {} };
    const gone = new AbortController();
    const response = await preview(long, { signal: gone.signal });
    const reader = response.body?.getReader();
    // It has begun.
    await reader?.read();
    gone.abort();
    await expect(reader?.read()).rejects.toMatchObject({ name: "AbortError" });
    expect((await server.call("POST", "/api/weather/previews", sampleFile("weather-us.csv"))).status).toBe(200);
  });
});
