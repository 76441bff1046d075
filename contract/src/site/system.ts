import { SYSTEM_NAMES } from "@sprunel/core/site";
import { z } from "zod";

/** Names alone: a page that shows zones needs no more than these of their systems. */
export const systemSchema = z.enum(SYSTEM_NAMES);
