import type { System } from "@sprunel/contract/site";
import { basinView } from "./basin/view.tsx";
import { benchView } from "./bench/view.tsx";
import { buriedDripView } from "./buried-drip/view.tsx";
import { soilDripView } from "./soil-drip/view.tsx";
import { solutionTankView } from "./solution-tank/view.tsx";
import { substrateView } from "./substrate/view.tsx";
import type { SystemView } from "./system-view.ts";

/** The drawings of every growing system and the questions that its form asks. */
export const SYSTEM_VIEWS: Readonly<Record<System, SystemView>> = {
  substrate: substrateView,
  "soil-drip": soilDripView,
  "solution-tank": solutionTankView,
  "sub-irrigated-bench": benchView,
  "buried-drip": buriedDripView,
  basin: basinView,
};
