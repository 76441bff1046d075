import { z } from "zod";

const byFigure = z.record(z.string().max(40), z.string().max(80));

/** What a laboratory's report tells beside its figures, by figure. */
export const reportNotes = {
  limits: byFigure
    .optional()
    .describe(
      "as <5, in the unit of the figure: it lay below this limit of what could be measured, and half of the limit stands for it",
    ),
  methods: byFigure.optional().describe("with what it was taken out of the soil, or found"),
};
