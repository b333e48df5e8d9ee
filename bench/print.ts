/** Prints each figure as one JSON object a line; nothing here passes or fails. */
export function print(bench: string, figures: Record<string, unknown>): void {
  process.stdout.write(`${JSON.stringify({ bench, ...figures })}\n`);
}

/** Median milliseconds of one call, over enough calls to be steady. */
export function timed(work: () => unknown, rounds = 15): number {
  const times: number[] = [];
  for (let round = 0; round < rounds; round += 1) {
    const begun = performance.now();
    work();
    times.push(performance.now() - begun);
  }
  times.sort((a, b) => a - b);
  return round3(times[Math.floor(times.length / 2)] ?? 0);
}

export function round3(value: number): number {
  return Number(value.toPrecision(3));
}
