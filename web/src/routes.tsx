import type { RouteObject } from "react-router";
import { LostPage } from "./parts/lost-page.tsx";
import { Outline } from "./parts/outline.tsx";
import { Shell } from "./shell/shell.tsx";

/** Every page comes when it is first opened. */
export const routes: RouteObject[] = [
  {
    path: "/zones/:zoneId/feed/sheet",
    ErrorBoundary: LostPage,
    HydrateFallback: Outline,
    lazy: async () => ({ Component: (await import("./feed/mix/weigh-sheet-page.tsx")).WeighSheetPage }),
  },
  {
    path: "/run/sheet",
    ErrorBoundary: LostPage,
    HydrateFallback: Outline,
    lazy: async () => ({ Component: (await import("./irrigation/day/clock-sheet-page.tsx")).ClockSheetPage }),
  },
  {
    path: "/run/valves",
    ErrorBoundary: LostPage,
    HydrateFallback: Outline,
    lazy: async () => ({ Component: (await import("./irrigation/day/valves-page.tsx")).ValvesPage }),
  },
  {
    Component: Shell,
    ErrorBoundary: LostPage,
    children: [
      {
        ErrorBoundary: LostPage,
        // The shell stands at once; the first page's own code is on its way.
        HydrateFallback: Outline,
        children: [
          { path: "/", lazy: async () => ({ Component: (await import("./today/board-page.tsx")).BoardPage }) },

          ...["/:station", "/zones/:zoneId/:station"].map((path) => ({
            path,
            lazy: async () => ({ Component: (await import("./shell/station-page.tsx")).StationPage }),
          })),
          {
            path: "/weather",
            lazy: async () => ({ Component: (await import("./climate/weather-import-page.tsx")).WeatherImportPage }),
          },
          {
            path: "/import/water",
            lazy: async () => ({ Component: (await import("./water/lab-import-page.tsx")).LabImportPage }),
          },
          {
            path: "/import/:list",
            lazy: async () => ({ Component: (await import("./exchange/list-import-page.tsx")).ListImportPage }),
          },
          {
            path: "/crops",
            lazy: async () => ({ Component: (await import("./crop/library/library-page.tsx")).LibraryPage }),
          },
          {
            path: "/crops/:cropId",
            lazy: async () => ({ Component: (await import("./crop/library/crop-sheet-page.tsx")).CropSheetPage }),
          },
          {
            path: "/changes",
            lazy: async () => ({ Component: (await import("./changes/changes-page.tsx")).ChangesPage }),
          },
          { path: "/set-up", lazy: async () => ({ Component: (await import("./site/set-up-page.tsx")).SetUpPage }) },
          { path: "*", Component: LostPage },
        ],
      },
    ],
  },
];
