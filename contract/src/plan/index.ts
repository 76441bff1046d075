export { dayPlanAnswerSchema, dayPlanRequestSchema } from "./day-plan.ts";
export { figureSchema, zoneDaySchema, type Figure, type ZoneDayAnswer } from "./zone-day.ts";
