import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Job } from "./day-job.ts";
import { Limit } from "./day-limit.ts";
import { Shut } from "./day-shut.ts";

const job = (flowLh: number): Job => ({ flowLh }) as Job;
const DAY = 200;
const pulse = fc
  .record({
    from: fc.integer({ min: 0, max: DAY - 1 }),
    length: fc.integer({ min: 1, max: 40 }),
    flowLh: fc.integer({ min: 1, max: 9 }),
  })
  .map(({ from, length, flowLh }) => ({ from, to: Math.min(DAY, from + length), flowLh }));
const windows = fc
  .uniqueArray(fc.integer({ min: 0, max: DAY }), { minLength: 2, maxLength: 6 })
  .map((ends) => [...ends].sort((a, b) => a - b))
  .map((ends) =>
    Array.from({ length: Math.floor(ends.length / 2) }, (_, at) => ({
      startS: ends[2 * at] ?? 0,
      endS: ends[2 * at + 1] ?? 0,
    })),
  );

describe("when a pulse may begin", () => {
  it("is every second at which a second by second look at pump, valves and windows finds room, and no other", () => {
    fc.assert(
      fc.property(
        fc.array(pulse, { maxLength: 12 }),
        fc.array(fc.nat({ max: 11 }), { maxLength: 6 }),
        windows,
        fc.record({
          length: fc.integer({ min: 1, max: 30 }),
          flowLh: fc.integer({ min: 1, max: 9 }),
          maxLh: fc.integer({ min: 9, max: 20 }),
          maxOpen: fc.integer({ min: 1, max: 4 }),
        }),
        (pulses, lifted, open, { length, flowLh, maxLh, maxOpen }) => {
          const limit = new Limit(maxLh, maxOpen);
          const change = ({ from, to, flowLh: lh }: (typeof pulses)[number], sign: 1 | -1): void => {
            limit.count(job(lh), sign);
            limit.carry(job(lh), from, to, sign);
          };
          pulses.forEach((one) => change(one, 1));
          const gone = new Set(lifted.filter((at) => at < pulses.length));
          for (const at of gone) change(pulses[at] as (typeof pulses)[number], -1);
          const shut = new Shut(length);
          limit.shut(job(flowLh), shut);
          const found = shut
            .open(open)
            .flatMap(({ from, to }) => Array.from({ length: to - from + 1 }, (_, at) => from + at));

          const left = pulses.filter((_, at) => !gone.has(at));
          const hasRoom = (second: number): boolean => {
            const running = left.filter(({ from, to }) => from <= second && second < to);
            return running.length < maxOpen && running.reduce((sum, one) => sum + one.flowLh, flowLh) <= maxLh;
          };
          const expected = Array.from({ length: DAY }, (_, at) => at).filter(
            (start) =>
              open.some(({ startS, endS }) => startS <= start && start + length <= endS) &&
              Array.from({ length }, (_, at) => start + at).every(hasRoom),
          );
          expect(found).toEqual(expected);
        },
      ),
      { numRuns: 400 },
    );
  });

  it("keeps apart what may not begin near something", () => {
    const shut = new Shut(10);
    shut.addStarts(50, 60);
    shut.add(80, 90);
    expect(shut.open([{ startS: 40, endS: 110 }])).toEqual([
      { from: 40, to: 49 },
      { from: 60, to: 70 },
      { from: 90, to: 100 },
    ]);
  });

  it("takes more spans than it had room for at first", () => {
    const shut = new Shut(1);
    for (let at = 0; at < 1000; at++) shut.add(2 * at, 2 * at + 1);
    expect(shut.open([{ startS: 0, endS: 2000 }])).toHaveLength(1000);
  });
});
