import { describe, expect, it } from "vitest";
import { badInput, notFound, toldAt, type ProblemError } from "./problems.ts";

const thrownBy = (work: () => void): unknown => {
  try {
    work();
  } catch (error) {
    return error;
  }
  return null;
};

describe("bad input of a larger thing", () => {
  it("is told at the fields of the part that was typed", () => {
    const found = thrownBy(() =>
      toldAt(
        (path) => path.replace("plantings.2.", ""),
        () => {
          throw badInput([{ path: "plantings.2.plantedOn", message: "Too early." }]);
        },
      ),
    );
    expect((found as ProblemError).problem.errors).toEqual([{ path: "plantedOn", message: "Too early." }]);
  });

  it("leaves what is wrong otherwise as it is", () => {
    const slip = new TypeError("a slip");
    const throwing = (error: Error) => () => {
      throw error;
    };
    expect(thrownBy(() => toldAt(() => "", throwing(slip)))).toBe(slip);
    const lost = notFound("Zone 7");
    expect((thrownBy(() => toldAt(() => "", throwing(lost))) as ProblemError).problem.status).toBe(404);
  });
});
