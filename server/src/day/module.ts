import {
  editSiteDay,
  getMain,
  getSiteDay,
  getSiteDayTable,
  getWaterCalendar,
  getWaterCalendarAddress,
  saveMain,
} from "@sprunel/contract/plan";
import { addDays } from "@sprunel/core/time";
import { calendarToken, isToken } from "../crop/calendar.ts";
import type { DosePlanService } from "../feed/dose-plan-service.ts";
import type { FeedService } from "../feed/feed-service.ts";
import { sendCsv } from "../http/csv.ts";
import { notFound } from "../http/problems.ts";
import { served, written } from "../http/served.ts";
import { TOGETHER, type PlanService } from "../plan/plan-service.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { valvesAsCalendar, valvesAsRows } from "./day-calendar.ts";
import { dayPlanService, type DayPlanService } from "./day-plan-service.ts";
import { mainInFile } from "./in-site-file.ts";
import { mainService, type MainService } from "./main-service.ts";

/** The day of all zones over what they share. */
export function dayModule(
  scope: Scope,
  {
    plans,
    feed,
    doses,
    dataFolder,
    beside,
  }: {
    readonly plans: PlanService;
    readonly feed: FeedService;
    readonly doses: DosePlanService;
    readonly dataFolder: string;
    beside(what: string, work: (signal: AbortSignal) => Promise<void>): void;
  },
): Module & { readonly days: DayPlanService; readonly main: MainService } {
  const main = mainService(scope);
  const days = dayPlanService(scope, { plans, feed, doses, main, beside });
  scope.ports.answer(TOGETHER, (site, date) => days.pulsesOn(site, date));
  return {
    ...{ days, main },
    siteFile: mainInFile(),
    routes: [
      served(getMain, () => main.answer()),
      served(saveMain, ({ body: { version, ...described } }) => main.save(version, described)),
      served(getSiteDay, ({ query: { date } }) => days.day(date)),
      served(editSiteDay, ({ params: { date }, body }) => days.edit(date, body)),
      written(getSiteDayTable, async ({ query: { date } }, res) => {
        const day = await days.day(date);
        sendCsv(res, `valves-${day.date}.csv`, valvesAsRows(day));
      }),
      served(getWaterCalendarAddress, () => ({ path: `/api/water-calendar/${calendarToken(dataFolder)}.ics` })),
      written(getWaterCalendar, async ({ params: { token } }, res) => {
        if (!isToken(token, calendarToken(dataFolder))) throw notFound("A calendar of this address");
        const { name } = await scope.site.current();
        const today = await days.day(undefined);
        const tomorrow = await days.day(addDays(today.date, 1));
        res.setHeader("Content-Type", "text/calendar; charset=utf-8");
        res.send(valvesAsCalendar(name, [today, tomorrow]));
      }),
    ],
  };
}
