import type { Main, MainAnswer } from "@sprunel/contract/plan";
import Button from "antd/es/button";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { Line, missing, Part, Span, Zones } from "./main-parts.tsx";

/** Who opens valves by hand, and when. */
export function Hands({
  main: { hands },
  zones,
  onChange,
}: {
  main: Main;
  zones: MainAnswer["zones"];
  onChange(hands: Main["hands"]): void;
}) {
  if (!hands)
    return (
      <Part name="Hand valves">
        <Button
          onClick={() =>
            onChange({
              zoneIds: zones.map(({ id }) => id),
              hours: [{ start: "07:00", end: "12:00" }],
              reach: 1,
              walkMin: 2,
            })
          }
        >
          Some valves are opened by hand
        </Button>
      </Part>
    );
  const set = (change: Partial<typeof hands>): void => onChange({ ...hands, ...change });
  return (
    <Part name="Hand valves">
      <Line name={null} onDrop={() => onChange(null)}>
        <Zones
          label="Zones with hand valves"
          zones={zones}
          value={hands.zoneIds}
          onChange={(ids) => set({ zoneIds: ids ?? zones.map(({ id }) => id) })}
        />
        {hands.hours.map((span, at) => (
          <Span
            key={at}
            what={`hours ${at + 1}`}
            value={span}
            onChange={(next) =>
              set({ hours: hands.hours.map((one, place) => (place === at ? { ...one, ...next } : one)) })
            }
          />
        ))}
        <Button onClick={() => set({ hours: [...hands.hours, { start: "14:00", end: "18:00" }] })}>More hours</Button>
        <label>
          minded at once
          <QuantityInput
            label="Hand valves minded at once"
            unit="valves"
            value={hands.reach}
            onChange={(reach) => set({ reach: reach ?? missing })}
          />
        </label>
        <label>
          from valve to valve
          <QuantityInput
            label="From valve to valve"
            unit="minutes"
            value={hands.walkMin}
            onChange={(walkMin) => set({ walkMin: walkMin ?? missing })}
          />
        </label>
      </Line>
    </Part>
  );
}
