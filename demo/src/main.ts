import { addDays, localDate } from "@sprunel/core";
import { environment, serve, startServer, type RunningServer } from "@sprunel/server";
import { live } from "./history.ts";
import { borehole, HISTORY_DAYS, plantingOf, shelf, site, zones } from "./quillbrook.ts";
import { simulatedDevice } from "./simulated-device.ts";

const DAY_MS = 86_400_000;
/** How often the simulated nursery goes on while the demo runs. */
const GO_ON_MS = 5 * 60_000;
/** Days before the history that fill its first gaps. */
const FILL_DAYS = 7;

async function start(): Promise<RunningServer> {
  const options = environment(".data/demo");
  const clock = options.clock ?? Date.now;
  const goOn = async ({ db, services }: Pick<RunningServer, "db" | "services">): Promise<void> => {
    await services.followStation(clock() - (HISTORY_DAYS + FILL_DAYS) * DAY_MS);
    await live({ db, services }, clock());
  };
  const server = await startServer({
    ...options,
    device: simulatedDevice(),
    async prepare(db, services) {
      const { site: existing } = await services.setUp.overview();
      if (!existing) {
        await services.setUp.addSite(site);
        const today = localDate(clock(), site.timeZone);
        await services.feed.addReport({ ...borehole, takenOn: addDays(today, -40) });
        for (const [productId, priceKg, stockKg] of shelf)
          await services.feed.putOnShelf(productId, { priceKg, stockKg });
        for (const zone of zones) await services.setUp.addZone({ ...zone.zone, planting: plantingOf(zone, today) });
      }
      await goOn({ db, services });
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
