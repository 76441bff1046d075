import type { StoredCatchTest } from "@sprunel/contract/irrigation";
import { catchTest, type CatchTest } from "@sprunel/core/irrigation";
import Button from "antd/es/button";
import { lazy, Suspense, useState } from "react";
import { ProblemNote } from "../parts/problem.tsx";
import { StrikeOut } from "../parts/strike-out.tsx";
import figures from "../theme/figures.module.css";
import { Amount, Measure } from "../units/use-units.tsx";
import { Explained } from "../working/explained.tsx";
import { Adopt } from "./adopt.tsx";
import styles from "./drip-lines.module.css";
import { useStrikeCatchTest } from "./use-drip-lines.ts";
import { useDates } from "../units/dates.tsx";

const CatchTestDialog = lazy(async () => ({ default: (await import("./catch-test-dialog.tsx")).CatchTestDialog }));

/** The newest catch-can test that counts: how even, where it is low, why, and what to do next. */
export function CatchTests({ zoneId, tests }: { zoneId: number; tests: readonly StoredCatchTest[] }) {
  const dates = useDates();
  const [logging, setLogging] = useState(false);
  const strike = useStrikeCatchTest(zoneId);
  const newest = tests.find((test) => test.struck === null);
  const result = newest && catchTest(newest.catchesMl, newest.minutes);
  return (
    <section aria-label="Catch-can test">
      <h2>Caught under the drippers</h2>
      {newest && result ? (
        <>
          <p className="quiet">
            {dates.show(newest.testedOn, "year")}, {newest.minutes} min under each of {newest.catchesMl.flat().length}{" "}
            drippers{" "}
            <StrikeOut
              what="test"
              example="cans were mixed up"
              onStrike={(reason) => strike.mutate({ id: newest.id, reason })}
            />
          </p>
          <div className={styles["test"]}>
            <CatchPicture catchesMl={newest.catchesMl} result={result} />
            <div>
              <dl className={figures["list"]}>
                <div>
                  <dt>Driest quarter</dt>
                  <dd>
                    <Explained title="How even the drippers are" steps={result.working}>
                      <Measure text={result.lowQuarterDuPct.toFixed(0)} unit="% of the mean" />
                    </Explained>
                  </dd>
                </div>
                <div>
                  <dt>Christiansen</dt>
                  <dd>
                    <Measure text={result.christiansenPct.toFixed(0)} unit="%" />
                  </dd>
                </div>
                <div>
                  <dt>Variation (CV)</dt>
                  <dd>
                    <Measure text={(100 * result.cv).toFixed(0)} unit="%" />
                  </dd>
                </div>
                <div>
                  <dt>Mean dripper</dt>
                  <dd>
                    <Amount quantity="flow" value={result.meanLh} />
                  </dd>
                </div>
              </dl>
              <p>
                <strong>{verdictWords(result)}</strong> {nextWords(result)}
              </p>
              <Adopt zoneId={zoneId} field="uniformityPct" value={result.lowQuarterDuPct}>
                Plan with the measured uniformity
              </Adopt>
            </div>
          </div>
        </>
      ) : (
        <p>
          No test yet. Hold a can under 16 drippers for some minutes: at the inlet, at two places between and at the end
          of four lines.
        </p>
      )}
      {strike.isError && <ProblemNote error={strike.error} />}
      <Button onClick={() => setLogging(true)}>Log a catch-can test</Button>
      {logging && (
        <Suspense>
          <CatchTestDialog zoneId={zoneId} onClose={() => setLogging(false)} />
        </Suspense>
      )}
    </section>
  );
}

function verdictWords(result: CatchTest): string {
  const { verdict } = result;
  return `${verdict.charAt(0).toUpperCase()}${verdict.slice(1)}.`;
}

function nextWords({ cause, lowestLine, low }: CatchTest): string {
  switch (cause) {
    case "even":
      return "Nothing to mend; test again next season.";
    case "pressure":
      return "Every line falls towards its end: it is pressure. Measure it at inlet and end; shorten the lines, or feed them from both ends.";
    case "line":
      return `Line ${lowestLine + 1} gives less all along: look at its inlet, valve and for a kink.`;
    case "plugging":
      return `Single drippers give too little (${low.map(({ line, place }) => `line ${line + 1}, place ${place + 1}`).join("; ")}): they are plugging. Flush the lines, test these again, then clean with acid by the label, or change them.`;
  }
}

const CELL = 58;

/** The catches as they lie on the ground; darker is drier. */
function CatchPicture({ catchesMl, result }: { catchesMl: readonly (readonly number[])[]; result: CatchTest }) {
  const all = catchesMl.flat();
  const mean = all.reduce((sum, value) => sum + value, 0) / all.length;
  const places = catchesMl[0]?.length ?? 0;
  const isLow = (line: number, place: number): boolean =>
    result.low.some((entry) => entry.line === line && entry.place === place);
  return (
    <svg
      width={70 + places * CELL}
      height={26 + catchesMl.length * 36}
      role="img"
      aria-label={`Catches in mL by line and place; ${result.low.length} low`}
      className={styles["map"]}
    >
      <text x="70" y="14" fill="var(--quiet)">
        inlet
      </text>
      <text x={70 + places * CELL} y="14" textAnchor="end" fill="var(--quiet)">
        end
      </text>
      {catchesMl.map((row, line) => (
        <g key={line} transform={`translate(0 ${22 + line * 36})`}>
          <text x="0" y="20" fill="var(--quiet)">
            line {line + 1}
          </text>
          <line x1="62" x2={70 + places * CELL} y1="15" y2="15" stroke="var(--pipe)" strokeWidth="3" />
          {row.map((value, place) => (
            <g key={place} transform={`translate(${70 + place * CELL} 0)`}>
              <rect
                width={CELL - 10}
                height="30"
                rx="6"
                fill={isLow(line, place) ? "var(--act-ground)" : "var(--pale-water)"}
                stroke={isLow(line, place) ? "var(--act)" : "none"}
                strokeWidth="1.5"
              />
              <rect
                y="26"
                width={((CELL - 10) * Math.min(1.3, value / mean)) / 1.3}
                height="4"
                rx="2"
                fill={isLow(line, place) ? "var(--act)" : "var(--water)"}
              />
              <text x={(CELL - 10) / 2} y="19" textAnchor="middle" fill="var(--ink)">
                {Math.round(value)}
              </text>
            </g>
          ))}
        </g>
      ))}
    </svg>
  );
}
