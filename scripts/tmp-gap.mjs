import { dayPlan } from "@sprunel/core/plan";
const nursery = (n = 40) => ({
  pump: { maxLh: 13_000 },
  mixers: ["a", "b"].map((id) => ({ id, maxLh: 8000, rinseMin: 3 })),
  zones: Array.from({ length: n }, (_, at) => ({
    id: `zone ${at}`,
    litres: 1500 + ((at * 977) % 2500),
    flowLh: 2500 + ((at * 1409) % 3000),
    recipeId: `recipe ${at % 4}`,
    windows: [{ start: "07:00", end: "18:00" }],
    pulses: 8,
    minGapMin: 20,
    priority: 1 + (at % 3),
  })),
});
const day = nursery();
const litres = day.zones.reduce((s, z) => s + z.litres, 0);
for (const load of [0.77, 0.85, 0.9, 0.95]) {
  const full = { ...day, pump: { maxLh: litres / 11 / load } };
  const t0 = performance.now();
  const first = dayPlan(full, () => false);
  const t1 = performance.now();
  const until = performance.now() + 3000;
  const p = dayPlan(full, () => performance.now() < until);
  console.log(
    load,
    (t1 - t0).toFixed(),
    "first",
    first.gapPct.toFixed(2),
    "3s",
    p.gapPct.toFixed(2),
    (performance.now() - until + 3000).toFixed(),
  );
}
