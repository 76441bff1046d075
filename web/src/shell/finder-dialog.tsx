import type { Board } from "@sprunel/contract/today";
import Input, { type InputRef } from "antd/es/input";
import Modal from "antd/es/modal";
import { useRef, useState, type KeyboardEvent } from "react";
import { useNavigate } from "react-router";
import { useUnits } from "../units/use-units.tsx";
import styles from "./finder-dialog.module.css";
import { STATIONS } from "../place/stations.ts";
import { usePlace } from "../place/use-place.ts";

interface Target {
  readonly name: string;
  readonly hint: string;
  run(): void;
}

const MOST_SHOWN = 9;

/** Type a few letters of a zone, a station or an action, and go there. */
export function FinderDialog({
  board,
  onClose,
  onKeys,
}: {
  board: Board | undefined;
  onClose(): void;
  onKeys(): void;
}) {
  const [text, setText] = useState("");
  const [at, setAt] = useState(0);
  const input = useRef<InputRef>(null);
  const found = useTargets(board, onKeys).filter((target) => matches(`${target.name} ${target.hint}`, text));
  const shown = found.slice(0, MOST_SHOWN);
  const choose = (target: Target | undefined): void => {
    if (!target) return;
    onClose();
    target.run();
  };
  const onKey = (event: KeyboardEvent): void => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step !== undefined) {
      event.preventDefault();
      setAt((before) => Math.min(Math.max(before + step, 0), Math.max(0, shown.length - 1)));
    } else if (event.key === "Enter") choose(shown[at]);
  };
  return (
    <Modal
      open
      title="Find"
      footer={null}
      closable={false}
      onCancel={onClose}
      afterOpenChange={(opened) => opened && input.current?.focus()}
      width={520}
      className={styles["dialog"] ?? ""}
      styles={{ mask: { background: "rgb(20 37 31 / 18%)" } }}
    >
      <Input
        ref={input}
        value={text}
        placeholder="Melon, run, import weather …"
        aria-label="Find"
        role="combobox"
        aria-expanded
        aria-controls="found"
        aria-activedescendant={shown.length > 0 ? `found-${at}` : undefined}
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
        }}
        onKeyDown={onKey}
      />
      <ul id="found" role="listbox" aria-label="Found" className={styles["list"]}>
        {shown.map((target, index) => (
          <li
            key={`${target.name} ${target.hint}`}
            id={`found-${index}`}
            role="option"
            aria-selected={index === at}
            className={index === at ? styles["chosen"] : styles["item"]}
            onClick={() => choose(target)}
          >
            <span>{target.name}</span>
            <span className="quiet">{target.hint}</span>
          </li>
        ))}
      </ul>
      {shown.length === 0 && <p className="quiet">Nothing is called “{text}”. Try the name of a zone or a station.</p>}
    </Modal>
  );
}

/** Every word that was typed begins some word of the name. */
function matches(name: string, text: string): boolean {
  const words = name.toLowerCase().split(/[^\p{L}\p{N}]+/u);
  return text
    .toLowerCase()
    .split(/\s+/)
    .every((part) => words.some((word) => word.startsWith(part)));
}

function useTargets(board: Board | undefined, onKeys: () => void): Target[] {
  const place = usePlace();
  const navigate = useNavigate();
  const { system, choose } = useUnits();
  const zones = board?.zones ?? [];
  const actions: Target[] = [
    { name: "Morning board", hint: "all zones", run: () => place.go({ zoneId: null, station: null }) },
    { name: "Import weather", hint: "from a file", run: () => void navigate("/weather") },
    { name: "Import readings", hint: "from a notebook", run: () => void navigate("/import/readings") },
    { name: "Import soil tests", hint: "from a file", run: () => void navigate("/import/soil-tests") },
    { name: "Import lab reports", hint: "from a file", run: () => void navigate("/import/water") },
    { name: "Import picks", hint: "from a file", run: () => void navigate("/import/picks") },
    { name: "Import the shelf", hint: "bags from a file", run: () => void navigate("/import/shelf") },
    { name: "Record of changes", hint: "who changed what", run: () => void navigate("/changes") },
    { name: "Set-up", hint: "site, zones, houses", run: () => void navigate("/set-up") },
    {
      name: system === "us" ? "Metric units" : "US units",
      hint: "switch units",
      run: () => choose(system === "us" ? "metric" : "us"),
    },
    { name: "Today", hint: "date", run: () => place.go({ date: null }) },
    { name: "Keys", hint: "list of keys", run: onKeys },
  ];
  const inZone = STATIONS.flatMap((station) =>
    zones.map((zone) => ({
      name: zone.name,
      hint: station.name,
      run: () => place.go({ zoneId: zone.id, station: station.id }),
    })),
  );
  const ofAll = STATIONS.map((station) => ({
    name: station.name,
    hint: "all zones",
    run: () => place.go({ zoneId: null, station: station.id }),
  }));
  return [
    ...inZone.filter((target) => target.hint === "Run"),
    ...ofAll,
    ...actions,
    ...inZone.filter((target) => target.hint !== "Run"),
  ];
}
