import type { Ion } from "@sprunel/contract/basics";
import type { WaterFile, WaterPreview, WaterSample } from "@sprunel/contract/exchange";
import { isTrace } from "@sprunel/core/chemistry";
import Checkbox from "antd/es/checkbox";
import Input from "antd/es/input";
import Select from "antd/es/select";
import { analyteName } from "./analyte-names.ts";
import { LabFileSettings } from "./lab-file-settings.tsx";
import { REASONS } from "../files/fault-rows.tsx";
import { SetAsideDownload } from "../files/set-aside.tsx";
import { ionName } from "../words/ion-names.ts";
import { useSetUp } from "../place/use-set-up.ts";
import type { LabChoices } from "./use-water.ts";
import styles from "./water.module.css";
import { useDates } from "../units/dates.tsx";

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

interface Props {
  readonly preview: WaterPreview;
  readonly choices: LabChoices;
  onChange(choices: LabChoices): void;
}

/** What the program makes of a lab file: each sample checked, a likely slip offered, nothing mended unasked. */
export function LabFile({ preview, choices, onChange }: Props) {
  return (
    <>
      <label className={styles["of"]}>
        Its samples are of
        <Select
          value={choices.of ?? "source"}
          options={[
            { value: "source" as const, label: "waters, by their sources" },
            { value: "drain" as const, label: "what drained, by zone" },
            { value: "extract" as const, label: "what substrates hold, by zone" },
          ]}
          className="select-l"
          onChange={(of) => onChange({ ...choices, of })}
        />
      </label>
      <LabFileSettings preview={preview} choices={choices} onChange={onChange} />
      {preview.samples.map((sample, at) => (
        <Sample key={`${sample.lines[0]} ${at}`} at={at + 1} {...{ preview, choices, onChange, sample }} />
      ))}
      <SetAsideDownload fileName={preview.fileName} rows={setAsideOf(preview)} />
      {preview.rejected.map((row) => (
        <p key={row.line} className="quiet">
          Line {row.line} is left out: {REASONS[row.reason] ?? row.reason} ({row.detail}).
        </p>
      ))}
    </>
  );
}

function setAsideOf({ samples, rejected }: WaterPreview) {
  const ofSamples = samples.flatMap(({ lines: [line], setAside }) =>
    setAside.map(({ analyte, text, why }) => ({
      line,
      what: `${analyteName(analyte)}: ${text}`,
      why: ASIDE_WORDS[why],
    })),
  );
  const ofRows = rejected.map(({ line, reason, detail }) => ({ line, what: detail, why: REASONS[reason] ?? reason }));
  return [...ofSamples, ...ofRows].sort((a, b) => a.line - b.line);
}

/** One sample: of what it is, whether its figures can be true together, and what is done with it. */
function Sample({ preview, choices, onChange, sample, at }: Props & { sample: WaterSample; at: number }) {
  const dates = useDates();
  const [line] = sample.lines;
  const isWater = (choices.of ?? "source") === "source";
  const { acceptOffers = [], insist = [] } = choices;
  const toggle = (list: readonly number[]): number[] =>
    list.includes(line) ? list.filter((other) => other !== line) : [...list, line];
  return (
    <article className={styles["sample"]}>
      <h3>
        {sample.zone ?? (sample.source || "a water without a name")},{" "}
        {sample.takenOn === null ? "without a date" : dates.show(sample.takenOn, "year")}: {FATES[sample.fate]}
      </h3>
      {!isWater && sample.zone === null && (
        <p className={styles["bad"]}>No zone is called “{sample.source}”: choose the one that it is of.</p>
      )}
      {(preview.samples.length > 1 || !isWater) && <Named {...{ choices, onChange, sample, at, isWater }} />}
      <p>
        {Object.entries(sample.ions)
          .map(
            ([ion, amount]) =>
              `${ionName(ion as Ion)} ${Number(amount.toPrecision(3))} ${isTrace(ion as Ion) ? "µmol/L" : "mmol/L"}`,
          )
          .join(" · ")}
      </p>
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
                `${analyteName(analyte)} “${text}”, ${limit === null ? "which names none that is understood" : `${Number(limit.toPrecision(2))} ${unit ?? ""}`}`,
            )
            .join("; ")}
        </p>
      )}
      <Verdict sample={sample} needsPh={isWater} />
      {(sample.check?.slip ?? acceptOffers.includes(line)) && (
        <Checkbox
          checked={acceptOffers.includes(line)}
          onChange={() => onChange({ ...choices, acceptOffers: toggle(acceptOffers) })}
        >
          {sample.check?.slip
            ? `${ionName(sample.check.slip.ion)} seems ten times too ${sample.check.slip.factor < 1 ? "high" : "low"}: with ${sample.check.slip.offerMmolL.toFixed(2)} mmol/L charge and conductivity agree. Take that`
            : "The correction of ten times is taken"}
        </Checkbox>
      )}
      {sample.check?.verdict === "refused" && !sample.check.slip && (
        <Checkbox checked={insist.includes(line)} onChange={() => onChange({ ...choices, insist: toggle(insist) })}>
          Store it all the same; recipes made of it will be doubtful
        </Checkbox>
      )}
    </article>
  );
}

/** Of what a sample is, where its own name does not say it, and whether it is taken at all. */
function Named({
  choices,
  onChange,
  sample,
  at,
  isWater,
}: Omit<Props, "preview"> & { sample: WaterSample; at: number; isWater: boolean }) {
  const setUp = useSetUp();
  const said = choices.samples ?? [];
  const say = (more: Partial<Said>): void =>
    onChange({
      ...choices,
      samples: [...said.filter((one) => one.at !== at), { ...said.find((one) => one.at === at), at, ...more }],
    });
  return (
    <div className={styles["of"]}>
      <label>
        It is of
        {isWater ? (
          <Input
            aria-label={`Sample ${at} is of`}
            defaultValue={sample.source}
            maxLength={60}
            className="select-m"
            onBlur={({ target }) => {
              const is = target.value.trim();
              if (is !== "" && is !== sample.source) say({ is });
            }}
          />
        ) : (
          <Select
            aria-label={`Sample ${at} is of`}
            {...(sample.zone !== null && { value: sample.zone })}
            placeholder="choose the zone"
            options={(setUp.data?.zones ?? []).map(({ name }) => ({ value: name, label: name }))}
            className="select-m"
            onChange={(is: string) => say({ is })}
          />
        )}
      </label>
      <Checkbox checked={sample.fate === "left-out"} onChange={({ target }) => say({ leftOut: target.checked })}>
        leave it out
      </Checkbox>
    </div>
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
