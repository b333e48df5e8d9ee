/**
 * Remembers the last answer for each key while what it was made from is the very same.
 * @param compute makes an answer from its inputs, and may begin from the answer before
 */
export function perKey<Inputs extends readonly unknown[], T>(
  compute: (inputs: Inputs, before: T | null) => T,
): (key: string, inputs: Inputs) => T {
  const known = new Map<string, { inputs: Inputs; value: T }>();
  return (key, inputs) => {
    const last = known.get(key);
    if (last && inputs.every((input, i) => input === last.inputs[i])) return last.value;
    const value = compute(inputs, last?.value ?? null);
    known.set(key, { inputs, value });
    return value;
  };
}

/**
 * The same for an answer that time alone changes at a moment it knows: until then the clock costs
 * nothing.
 */
export function perKeyUntil<Inputs extends readonly unknown[], T>(
  compute: (inputs: Inputs, now: number) => { value: T; until: number },
): (key: string, inputs: Inputs, now: number) => T {
  const known = new Map<string, { inputs: Inputs; from: number; until: number; value: T }>();
  return (key, inputs, now) => {
    const last = known.get(key);
    const holds =
      last &&
      now >= last.from &&
      now < last.until &&
      inputs.every((input, i) => input === last.inputs[i]);
    if (holds) return last.value;
    const { value, until } = compute(inputs, now);
    known.set(key, { inputs, from: now, until, value });
    return value;
  };
}
