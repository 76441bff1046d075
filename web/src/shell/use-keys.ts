import { figureSchema } from "@sprunel/contract/plan";
import type { Board } from "@sprunel/contract/today";
import { addDays } from "@sprunel/core/time";
import { useLayoutEffect, useRef } from "react";
import { useWorking } from "../working/use-working.ts";
import { STATIONS } from "../place/stations.ts";
import { SYSTEM_WORDS } from "../systems/words.ts";
import { useLog } from "../place/log-context.ts";
import { usePlace, type Place } from "../place/use-place.ts";

interface KeyContext {
  readonly board: Board | undefined;
  openFinder(): void;
  openKeys(): void;
}

/** What every key does, as the list of keys shows it. */
export const KEYS: readonly { readonly keys: string; readonly does: string }[] = [
  { keys: "/", does: "Find a zone, a station or an action" },
  { keys: "1 – 6", does: "Go to a station: Water, Feed, Run, Roots, Crop, Harvest, of this zone or of all" },
  { keys: "0", does: "The morning board" },
  { keys: "a", does: "All zones at this station" },
  { keys: "[  ]", does: "Zone before, zone after" },
  { keys: ",  .", does: "Day before, day after" },
  { keys: "← ↑ → ↓", does: "On the board: from cell to cell; Enter opens" },
  { keys: "w", does: "Working of the figure in focus: how it was computed" },
  { keys: "l", does: "Log a reading of the zone in focus; at Harvest, a pick" },
  { keys: "?", does: "This list" },
  { keys: "Esc", does: "Close what is open" },
];

export function useKeys({ board, openFinder, openKeys }: KeyContext): void {
  const place = usePlace();
  const working = useWorking();
  const log = useLog();
  // Where the keys have led so far: the next one may be pressed before the page it follows is there.
  const ahead = useRef<Place>(place);
  useLayoutEffect(() => {
    ahead.current = { zoneId: place.zoneId, station: place.station, date: place.date };
  }, [place.zoneId, place.station, place.date]);
  // Before the picture is painted: a key pressed at what is just seen must not be lost.
  useLayoutEffect(() => {
    const zones = board?.zones ?? [];
    const go = (change: Partial<Place>): void => {
      ahead.current = { ...ahead.current, ...change };
      place.go(ahead.current);
    };
    const stepZone = (by: number): void => {
      const at = zones.findIndex((zone) => zone.id === ahead.current.zoneId);
      // From all zones, one step leads to the first and one back to the last.
      const next = at === -1 ? zones.at(by > 0 ? 0 : -1) : zones[(at + by + zones.length) % zones.length];
      if (next) go({ zoneId: next.id, station: ahead.current.station ?? "run" });
    };
    const stepDay = (by: number): void => {
      if (!board) return;
      const next = addDays(ahead.current.date ?? board.today, by);
      go({ date: next === board.today ? null : next });
    };
    const goStation = (key: string): void => {
      const station = STATIONS[Number(key) - 1];
      if (station) go({ station: station.id });
    };
    const openWorking = (): void => {
      const focused = document.activeElement?.closest<HTMLElement>("[data-figure]");
      const element = focused ?? document.querySelector<HTMLElement>("[data-figure]");
      const figure = figureSchema.safeParse(element?.dataset["figure"]).data;
      const zoneId = Number(element?.dataset["zone"]);
      if (figure && zoneId > 0) working.open({ zoneId, figure });
    };
    const openLog = (): void => {
      const focused = Number(
        document.activeElement?.closest("[role=row]")?.querySelector<HTMLElement>("[data-zone]")?.dataset["zone"],
      );
      if (place.station === "harvest" && place.zoneId !== null) {
        log.open({ kind: "pick", zoneId: place.zoneId });
        return;
      }
      const grown = zones.find((zone) => zone.id === (place.zoneId ?? focused) && zone.crop);
      if (place.station === "crop" && grown) {
        log.open({ kind: "sign", zoneId: grown.id });
        return;
      }
      const readable = zones.filter((zone) => SYSTEM_WORDS[zone.system].readings.length > 0);
      const meant =
        readable.find((zone) => zone.id === (place.zoneId ?? focused)) ??
        (place.zoneId === null ? readable[0] : undefined);
      if (meant) log.open({ kind: "reading", zoneId: meant.id });
    };
    const actions: Record<string, () => void> = {
      "/": openFinder,
      "?": openKeys,
      "0": () => go({ zoneId: null, station: null }),
      a: () => go({ zoneId: null }),
      "[": () => stepZone(-1),
      "]": () => stepZone(1),
      ",": () => stepDay(-1),
      ".": () => stepDay(1),
      w: openWorking,
      l: openLog,
    };
    const onKey = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement;
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        target.closest("input, textarea, select, [role=dialog], [contenteditable]")
      )
        return;
      const action = actions[event.key] ?? (/^[1-6]$/.test(event.key) ? () => goStation(event.key) : undefined);
      if (!action) return;
      event.preventDefault();
      action();
    };
    document.addEventListener("keydown", onKey);
    return () => document.removeEventListener("keydown", onKey);
  }, [board, place, working, log, openFinder, openKeys]);
}
