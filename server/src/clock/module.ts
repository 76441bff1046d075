import { getClock, setPace, startAgain, type Clock, type Pace } from "@sprunel/contract/basics";
import { notFound } from "../http/problems.ts";
import { served } from "../http/served.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";

/** A clock of the program's own, as a demonstration has one. */
export interface SteeredClock {
  now(): number;
  readonly pace: Pace;
  setPace(pace: Pace): void;
  /** Begins anew on the first morning once the request is answered. */
  startAgain(): void;
}

/** What the program's time is, and who may change how it goes. */
export function clockModule(scope: Scope, steered: SteeredClock | null): Module {
  const clock = (): Clock => ({ now: new Date(scope.clock()).toISOString(), pace: steered?.pace ?? null });
  const steer = (): SteeredClock => {
    if (!steered) throw notFound("A clock that can be steered");
    return steered;
  };
  return {
    routes: [
      served(getClock, clock),
      served(setPace, ({ body: { pace } }) => {
        steer().setPace(pace);
        return clock();
      }),
      served(startAgain, () => {
        steer().startAgain();
        return {};
      }),
    ],
  };
}
