import { z } from "zod";
import { instantSchema } from "./basics.ts";
import { emptySchema, endpoint } from "./endpoint.ts";

/** How fast a clock that can be steered goes: not at all, as real time does, or a minute in every second. */
export const PACES = ["paused", "real", "minute-a-second"] as const;
const paceSchema = z.enum(PACES, { error: () => `The pace is one of ${PACES.join(", ")}.` });
export type Pace = z.infer<typeof paceSchema>;

const clockSchema = z
  .object({
    now: instantSchema,
    /** null where the clock is the real one and nobody steers it */
    pace: paceSchema.nullable(),
  })
  .meta({ id: "Clock" });
export type Clock = z.infer<typeof clockSchema>;

export const getClock = endpoint({
  method: "get",
  path: "/api/clock",
  needs: "see",
  summary: "The program's time, and how fast it goes where it can be steered",
  answer: clockSchema,
});

export const setPace = endpoint({
  method: "put",
  path: "/api/clock",
  needs: "set-up",
  summary: "Pause the demonstration's clock, or let it go; 404 where the clock is the real one",
  body: z.strictObject({ pace: paceSchema }).meta({ id: "NewPace" }),
  answer: clockSchema,
});

export const startAgain = endpoint({
  method: "post",
  path: "/api/clock/start-again",
  needs: "set-up",
  summary: "The demonstration begins anew on its first morning, and forgets what was typed; 404 where there is none",
  answer: emptySchema,
  status: 201,
});
