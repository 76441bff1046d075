/**
 * Names for zones like another: its own with the next numbers that are free.
 *
 * @example namesLike("Tunnel 3", ["Tunnel 3", "Tunnel 4"], 2) // ["Tunnel 5", "Tunnel 6"]
 */
export function namesLike(name: string, taken: readonly string[], count: number): string[] {
  const [, stem = name, number] = /^(.*?)\s*(\d+)$/.exec(name) ?? [];
  const used = new Set(taken.map((other) => other.toLowerCase()));
  const names: string[] = [];
  for (let next = Number(number ?? 1) + 1; names.length < count; next++) {
    const candidate = `${stem} ${next}`.trim();
    if (!used.has(candidate.toLowerCase())) names.push(candidate);
  }
  return names;
}
