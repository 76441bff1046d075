import type { WaterFile, WaterSample } from "@sprunel/contract/exchange";
import Button from "antd/es/button";
import Checkbox from "antd/es/checkbox";
import Input from "antd/es/input";
import Select from "antd/es/select";
import { useState } from "react";
import { analyteName } from "./analyte-names.ts";
import { LabFileSettings, type Choices } from "./lab-file-settings.tsx";
import { Reading } from "../files/reading.tsx";
import { ionName } from "../words/ion-names.ts";
import { ProblemNote } from "../http/problem.tsx";
import { useSetUp } from "../place/use-set-up.ts";
import { useWaterImport, useWaterPreview } from "./use-water.ts";
import styles from "./water.module.css";
import { useDates } from "../units/dates.tsx";
import { showDigits } from "../units/show.ts";

const FATES: Record<WaterSample["fate"], string> = {
  stored: "will be stored",
  "already-there": "is stored already",
  refused: "will not be stored",
  "left-out": "is left out",
};

type Said = NonNullable<WaterFile["samples"]>[number];

const ASIDE_WORDS: Record<WaterSample["setAside"][number]["why"], string> = {
  unreadable: "no number",
  range: "a range",
  struck: "struck out",
  several: "more than one figure",
  above: "above what could be measured",
  "unit-unknown": "its unit is not understood",
};

/** What the program makes of a lab file: each sample checked, a likely slip offered, nothing mended unasked. */
export function LabFile({ file, onDone }: { file: WaterFile; onDone(): void }) {
  const dates = useDates();
  const [accepted, setAccepted] = useState<readonly number[]>([]);
  const [of, setOf] = useState<NonNullable<WaterFile["of"]>>("source");
  const [insisted, setInsisted] = useState<readonly number[]>([]);
  const [choices, setChoices] = useState<Choices>({});
  const [said, setSaid] = useState<readonly Said[]>([]);
  const setUp = useSetUp();
  const sayOf = (at: number, more: Partial<Said>): void =>
    setSaid([...said.filter((one) => one.at !== at), { ...said.find((one) => one.at === at), at, ...more }]);
  const asked = { ...file, ...choices, of, samples: [...said], acceptOffers: [...accepted], insist: [...insisted] };
  const preview = useWaterPreview(asked);
  const importing = useWaterImport();
  const toggle = (list: readonly number[], line: number): number[] =>
    list.includes(line) ? list.filter((other) => other !== line) : [...list, line];
  if (preview.isError && !preview.data) return <ProblemNote error={preview.error} />;
  if (!preview.data) return <Reading fileName={file.fileName} step={preview.step} onStop={onDone} />;
  const fresh = preview.data.samples.filter((sample) => sample.fate === "stored").length;
  return (
    <section aria-label={file.fileName} className={styles["file"]}>
      <h2>{file.fileName}</h2>
      <label className={styles["of"]}>
        Its samples are of
        <Select
          value={of}
          options={[
            { value: "source", label: "waters, by their sources" },
            { value: "drain", label: "what drained, by zone" },
            { value: "extract", label: "what substrates hold, by zone" },
          ]}
          className="select-l"
          onChange={setOf}
        />
      </label>
      {preview.isError && <ProblemNote error={preview.error} />}
      <LabFileSettings preview={preview.data} choices={choices} onChange={setChoices} />
      {preview.data.samples.map((sample, at) => (
        <article key={`${sample.lines[0]} ${at}`} className={styles["sample"]}>
          <h3>
            {sample.zone ?? (sample.source || "a water without a name")},{" "}
            {sample.takenOn === null ? "without a date" : dates.show(sample.takenOn, "year")}: {FATES[sample.fate]}
          </h3>
          {of !== "source" && sample.zone === null && (
            <p className={styles["bad"]}>No zone is called “{sample.source}”: choose the one that it is of.</p>
          )}
          {preview.data.samples.length > 1 || of !== "source" ? (
            <p className={styles["of"]}>
              {of === "source" ? (
                <label>
                  It is of
                  <Input
                    aria-label={`Sample ${at + 1} is of`}
                    defaultValue={sample.source}
                    maxLength={60}
                    className="select-m"
                    onBlur={({ target }) =>
                      target.value.trim() !== "" &&
                      target.value !== sample.source &&
                      sayOf(at + 1, { is: target.value.trim() })
                    }
                  />
                </label>
              ) : (
                <label>
                  It is of
                  <Select
                    aria-label={`Sample ${at + 1} is of`}
                    {...(sample.zone !== null && { value: sample.zone })}
                    placeholder="choose the zone"
                    options={(setUp.data?.zones ?? []).map(({ name }) => ({ value: name, label: name }))}
                    className="select-m"
                    onChange={(is: string) => sayOf(at + 1, { is })}
                  />
                </label>
              )}
              <Checkbox
                checked={sample.fate === "left-out"}
                onChange={({ target }) => sayOf(at + 1, { leftOut: target.checked })}
              >
                leave it out
              </Checkbox>
            </p>
          ) : null}
          {sample.setAside.length > 0 && (
            <p className={styles["bad"]}>
              Set aside:{" "}
              {sample.setAside
                .map(({ analyte, text, why }) => `${analyteName(analyte)} “${text}” (${ASIDE_WORDS[why]})`)
                .join(", ")}
            </p>
          )}
          {sample.belowDetection.length > 0 && (
            <p className="quiet">
              Below what could be measured, so that half of the limit counts:{" "}
              {sample.belowDetection
                .map(
                  ({ analyte, text, limit, unit }) =>
                    `${analyteName(analyte)} “${text}”, ${limit === null ? "which names none that is understood" : `${showDigits(limit)} ${unit ?? ""}`}`,
                )
                .join("; ")}
            </p>
          )}
          <Verdict sample={sample} needsPh={of === "source"} />
          {(sample.check?.slip ?? accepted.includes(sample.lines[0])) && (
            <Checkbox
              checked={accepted.includes(sample.lines[0])}
              onChange={() => setAccepted(toggle(accepted, sample.lines[0]))}
            >
              {sample.check?.slip
                ? `${ionName(sample.check.slip.ion)} seems ten times too ${sample.check.slip.factor < 1 ? "high" : "low"}: with ${sample.check.slip.offerMmolL.toFixed(2)} mmol/L charge and conductivity agree. Take that`
                : "The correction of ten times is taken"}
            </Checkbox>
          )}
          {sample.check?.verdict === "refused" && !sample.check.slip && (
            <Checkbox
              checked={insisted.includes(sample.lines[0])}
              onChange={() => setInsisted(toggle(insisted, sample.lines[0]))}
            >
              Store it all the same; recipes made of it will be doubtful
            </Checkbox>
          )}
        </article>
      ))}
      {preview.data.rejected.map((row) => (
        <p key={row.line} className="quiet">
          Line {row.line} is left out: {row.reason} ({row.detail}).
        </p>
      ))}
      {importing.isError && <ProblemNote error={importing.error} />}
      <div className={styles["actions"]}>
        <Button
          type="primary"
          disabled={fresh === 0}
          loading={importing.isPending}
          onClick={() => importing.mutate(asked, { onSuccess: onDone })}
        >
          {fresh === 0 ? "Nothing to store" : `Store ${fresh} ${fresh === 1 ? "report" : "reports"}`}
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </section>
  );
}

function Verdict({ sample, needsPh }: { sample: WaterSample; needsPh: boolean }) {
  const { check, ecMsCm } = sample;
  if (!check) return <p className={styles["bad"]}>It names no ions.</p>;
  const words = {
    good: "the charges balance",
    doubtful: "doubtful: the charges hardly balance",
    refused: "the charges cannot both be right",
  }[check.verdict];
  return (
    <p className={check.verdict === "good" ? "quiet" : styles["bad"]}>
      Cations {check.cationsMeqL.toFixed(2)}, anions {check.anionsMeqL.toFixed(2)} meq/L,{" "}
      {Math.abs(check.errorPct).toFixed(1)} % apart: {words}. EC from the ions {check.ecFromIonsMsCm.toFixed(2)}
      {ecMsCm !== null && ` against ${ecMsCm.toFixed(2)} measured`} mS/cm.
      {needsPh && sample.ph === null && " It has no pH, which recipes need."}
    </p>
  );
}
