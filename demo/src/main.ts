import { addDays, localDate } from "@sprunel/core/time";
import { environment, serve, startServer, type Prepared, type RunningServer } from "@sprunel/server";
import { live } from "./history.ts";
import { reports, zoneReports } from "./laboratory.ts";
import { doses, HISTORY_DAYS, plantingsOf, shelf, site, sources, zones } from "./quillbrook.ts";
import { catchTests, layouts, lines } from "./quillbrook-lines.ts";
import { simulatedDevice } from "./simulated-device.ts";

const DAY_MS = 86_400_000;
/** How often the simulated nursery goes on while the demo runs. */
const GO_ON_MS = 5 * 60_000;
/** Days before the history that fill its first gaps. */
const FILL_DAYS = 7;
/** One story, one test: told twice it is still one. */
const DOSE_KEY = "5b1e0000-0000-4000-8002-00000000000";
const FLUSH_L = 2600;
const TEST_KEY = "5b1e0000-0000-4000-8001-000000000001";

async function start(): Promise<RunningServer> {
  const options = environment(".data/demo");
  const clock = options.clock ?? Date.now;
  const goOn = async (server: Prepared): Promise<void> => {
    await server.rooms.climate.followStation(clock() - (HISTORY_DAYS + FILL_DAYS) * DAY_MS);
    await live(server, clock());
  };
  const server = await startServer({
    ...options,
    device: simulatedDevice(),
    async prepare(server) {
      const { site: set, water, feed, rootzone, irrigation } = server.rooms;
      const existing = await server.scope.site.find();
      if (!existing) {
        await set.setUp.addSite(site);
        const today = localDate(clock(), site.timeZone);
        for (const source of sources(today)) await water.water.addSource(source);
        for (const { daysAgo, ...report } of reports)
          await water.water.addReport({ ...report, takenOn: addDays(today, -daysAgo) });
        for (const [productId, priceKg, stockKg] of shelf) await feed.feed.putOnShelf(productId, { priceKg, stockKg });
        const { sources: stored } = await water.water.station(undefined);
        for (const zone of zones) {
          const waters = stored.flatMap(({ source: { id, name } }) =>
            zone.waters[name] === undefined ? [] : [{ sourceId: id, sharePct: zone.waters[name] }],
          );
          const added = await set.setUp.addZone({
            ...zone.zone,
            layout: layouts[zone.zone.name] ?? null,
            waters,
            plantings: plantingsOf(zone, today),
          });
          for (const { daysAgo, ...report } of zoneReports[added.name] ?? [])
            await rootzone.reports.add(added.id, { ...report, takenOn: addDays(today, -daysAgo) });
          for (const [at, { source, daysAgo, litres }] of (doses[added.name] ?? []).entries())
            await water.doses.add(added.id, {
              key: `${DOSE_KEY}${at}`,
              sourceId: stored.find((state) => state.source.name === source)?.source.id ?? 0,
              givenOn: addDays(today, -daysAgo),
              litres,
              flushL: FLUSH_L,
            });
          const [own, test] = [lines[added.name], catchTests[added.name]];
          if (own) await irrigation.lines.saveLines(added.id, null, own);
          if (test) await irrigation.lines.addTest(added.id, { ...test, key: TEST_KEY, testedOn: addDays(today, -12) });
        }
      }
      await goOn(server);
    },
  });
  const timer = setInterval(() => void goOn(server), GO_ON_MS);
  return {
    ...server,
    stop() {
      clearInterval(timer);
      return server.stop();
    },
  };
}

await serve(start);
