import { getZoneFeed } from "@sprunel/contract/feed";
import { describe, expect, it } from "vitest";
import { bags, site, testServer, zone, type TestServer } from "../testing/test-server.ts";

const source = {
  kind: "well",
  maxFlowLh: null,
  priceM3: null,
  licenceM3Year: null,
  storage: null,
  turn: null,
  analysis: null,
};
const lines = {
  ...{ laterals: 10, lengthM: 40, insideDiameterMm: 16, emitterSpacingM: 0.5, emitterLh: 2, emitterKpa: 100 },
  ...{ exponent: 0.5, cv: 0.05, inletKpa: 100, slopePct: 0, main: null, subMain: null },
};
const target = (K: number) => ({ ions: { K, NO3: K }, ph: 5.8 });

async function described(): Promise<TestServer> {
  const server = await testServer();
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", bags);
  await server.call("POST", "/api/sources", { ...source, name: "Well" });
  return server;
}
const settingsOf = async ({ answerTo }: TestServer) => {
  const { version: _version, ...settings } = (await answerTo(getZoneFeed, { params: { id: 1 } })).settings;
  return settings;
};

/** What two people send at once, each from the version that both have open. */
const RECORDS: readonly [
  name: string,
  path: string,
  version: number | null,
  body: (own: number, server: TestServer) => Promise<object>,
][] = [
  ["the site", "/api/site/1", 1, (own) => Promise.resolve({ ...site, name: `Hill ${own}` })],
  ["a zone", "/api/zones/1", 1, (own) => Promise.resolve({ ...bags, name: `Bags ${own}` })],
  ["a water", "/api/sources/1", 1, (own) => Promise.resolve({ ...source, name: `Well ${own}` })],
  ["lines", "/api/zones/1/lines", null, (own) => Promise.resolve({ ...lines, laterals: own })],
  ["a target", "/api/zones/1/feed-target", null, (own) => Promise.resolve(target(own))],
  [
    "tanks",
    "/api/zones/1/feed-settings",
    null,
    async (own, server) => ({ ...(await settingsOf(server)), coarseG: own }),
  ],
  ["the shelf", "/api/shelf/urea", null, (own) => Promise.resolve({ priceKg: own, stockKg: 1 })],
];

describe("two who save at once", () => {
  it.each(RECORDS)("do not write over each other: %s", async (_name, path, version, body) => {
    const server = await described();
    const sent = await Promise.all([3, 4].map(async (own) => ({ ...(await body(own, server)), version })));
    const answers = await Promise.all(sent.map((one) => server.call("PUT", path, one)));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
    const refused = answers.find(({ status }) => status === 409);
    expect(refused?.body["current"]).toMatchObject({ version: (version ?? 0) + 1 });
    // From the newer version on it goes.
    const at = sent[answers.findIndex(({ status }) => status === 409)];
    expect((await server.call("PUT", path, { ...at, version: (version ?? 0) + 1 })).status).toBe(200);
  });

  it("add one of a name", async () => {
    const server = await described();
    const answers = await Promise.all([0, 1].map(() => server.call("POST", "/api/zones", zone)));
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 422]);
  });
});
