import { expect, it } from "vitest";
import { cropById } from "../crop/library/library.ts";
import { grownByDays } from "../crop/grown.ts";
import { cropStateOn } from "../crop/stage-on.ts";
import { uptakeOf } from "./uptake.ts";

it("is seven tenths of the feed's EC and its nitrogen, and of bare plants no nitrogen", () => {
  const state = cropStateOn(grownByDays(cropById("courgette"), "2026-05-01"), "2026-06-15");
  if (!state) throw new Error("it stands");
  expect(uptakeOf({ ecMsCm: 2, nGM3: 160 }, state)).toEqual({ ecMsCm: 1.4, nGM3: 160 });
  expect(uptakeOf({ ecMsCm: 2, nGM3: 160 }, { ...state, leafAreaIndex: 0 })).toEqual({ ecMsCm: 1.4, nGM3: 0 });
});
