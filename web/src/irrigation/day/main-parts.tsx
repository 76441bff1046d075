import type { MainAnswer } from "@sprunel/contract/plan";
import Button from "antd/es/button";
import Input from "antd/es/input";
import Select from "antd/es/select";
import type { ReactNode } from "react";
import { ClockInput } from "../../forms/clock-input.tsx";
import forms from "../../forms/forms.module.css";
import styles from "./main-form.module.css";

/** While it is typed a figure may be missing; what is missing is told when it is saved. */
export const missing = NaN;

/** A part of what zones share, under its name. */
export function Part({ name, note, children }: { name: string; note?: string; children: ReactNode }) {
  return (
    <fieldset className={styles["part"]}>
      <legend>{name}</legend>
      {note !== undefined && <p className="quiet">{note}</p>}
      {children}
    </fieldset>
  );
}

/** One of them, with its name where it has one, and a way to take it out. */
export function Line({
  name,
  onName,
  onDrop,
  children,
}: {
  name?: string | null;
  onName?(name: string): void;
  onDrop(): void;
  children: ReactNode;
}) {
  return (
    <div className={`${forms["fields"] ?? ""} ${styles["line"] ?? ""}`}>
      {onName && (
        <label>
          name
          <Input
            aria-label={`Name of ${name ?? ""}`}
            value={name ?? ""}
            onChange={({ target }) => onName(target.value)}
          />
        </label>
      )}
      {children}
      <Button type="text" aria-label={`Take out${name ? `: ${name}` : ""}`} onClick={onDrop}>
        take out
      </Button>
    </div>
  );
}

/** Which zones; empty: every one of them. */
export function Zones({
  label,
  zones,
  value,
  onChange,
}: {
  label: string;
  zones: MainAnswer["zones"];
  value: readonly number[] | null;
  onChange(zoneIds: number[] | null): void;
}) {
  return (
    <label className={styles["zones"]}>
      zones
      <Select
        aria-label={label}
        mode="multiple"
        placeholder="every zone"
        maxTagCount={1}
        maxTagPlaceholder={(more) => `and ${more.length} more`}
        value={value === null ? [] : [...value]}
        options={zones.map(({ id, name }) => ({ value: id, label: name }))}
        showSearch={{ optionFilterProp: "label" }}
        onChange={(ids: number[]) => onChange(ids.length === 0 ? null : ids)}
      />
    </label>
  );
}

export function Span({
  word,
  what,
  value,
  onChange,
}: {
  /** what it is a time of, where several kinds stand on a line */
  word?: string;
  what: string;
  value: { readonly start: string; readonly end: string };
  onChange(change: { start?: string; end?: string }): void;
}) {
  return (
    <>
      <label>
        {word} from
        <ClockInput
          label={`From, ${what}`}
          value={value.start}
          onChange={(start) => onChange({ start: start ?? "" })}
        />
      </label>
      <label>
        to
        <ClockInput label={`To, ${what}`} ends value={value.end} onChange={(end) => onChange({ end: end ?? "" })} />
      </label>
    </>
  );
}
