import { feedTargetSchema, type FeedTarget } from "@sprunel/contract/feed";
import { z } from "zod";

const stateSchema = z.object({ tried: feedTargetSchema });

/** A target on its way into a zone's recipe, as the page's own state: nothing of it is kept until somebody says so. */
export function tryState(target: FeedTarget): z.infer<typeof stateSchema> {
  return { tried: target };
}

export function triedIn(state: unknown): FeedTarget | null {
  return stateSchema.safeParse(state).data?.tried ?? null;
}
