/** Groups of things that belong to one row, kept in order: runs of items that satisfy a test. */
export function runsOf<T>(items: readonly T[], belongs: (item: T) => boolean): T[][] {
  const runs: T[][] = [];
  let open = false;
  for (const item of items) {
    const fits = belongs(item);
    if (fits && open) runs.at(-1)?.push(item);
    else runs.push([item]);
    open = fits;
  }
  return runs;
}
