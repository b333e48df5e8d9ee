import { PAGE_DRAWINGS, pageDrawing } from './pageDrawings';

const drawn = (id: string) => {
  const made = pageDrawing(id);
  if (!made) throw new Error(`nothing is drawn for ${id}`);
  return made;
};
const curve = (id: string) => {
  const { shape } = drawn(id);
  if (shape.kind !== 'curve') throw new Error(`${id} is no curve`);
  return shape.points;
};

/** The first day after the highest on which nitrite is gone. */
function gone(id: string): number {
  const points = curve(id);
  const top = points.reduce((a, b) => (b[1] > a[1] ? b : a))[0];
  return points.find(([day, nitrite]) => day > top && nitrite < 0.1)?.[0] ?? -1;
}

describe('what pages of the guide show', () => {
  it.each([...PAGE_DRAWINGS.keys()])('%s is finite, and says in words what is seen', (id) => {
    const { shape, caption, unit } = drawn(id);
    const values = shape.kind === 'curve' ? shape.points.flat() : shape.marks.map(({ at }) => at);
    expect(values.every(Number.isFinite)).toBe(true);
    expect(caption).toMatch(/\d.*\.$/);
    expect(caption).not.toMatch(/NaN|undefined/);
    expect(unit).not.toBe('');
    expect(pageDrawing('no such page')).toBeNull();
  });

  it('nitrite rises, and is gone within the picture', () => {
    const values = curve('how-long').map(([, nitrite]) => nitrite);
    expect(values[0]).toBe(0);
    expect(Math.max(...values)).toBeGreaterThan(0.5);
    expect(values.at(-1)).toBeLessThan(0.1);
  });

  it('1.025 at 25 °C is about 33.2 ppt', () => {
    expect(drawn('salinity').caption).toMatch(/it is 33\.2, and 35 ppt reads 1\.0264/);
  });

  it('nitrate comes down to what is made and taken out, from above and never through it', () => {
    const values = curve('how-often').map(([, nitrate]) => nitrate);
    expect(values.every((value, i) => i === 0 || value < (values[i - 1] ?? 0))).toBe(true);
    expect(values.at(-1)).toBeGreaterThan((2 * 0.85) / 0.15);
  });

  it('a drip comes near the tank and never beyond it', () => {
    const values = curve('bag').map(([, salinity]) => salinity);
    expect(values[0]).toBe(31);
    expect(Math.max(...values)).toBeLessThanOrEqual(35);
    expect(values.at(-1)).toBeGreaterThan(34.5);
  });

  it('a bottle that works is through the cycle sooner, as the page says', () => {
    expect(curve('bottles').length).toBeLessThan(curve('how-long').length);
    expect(drawn('bottles').caption).toContain(`about day ${gone('bottles')}`);
  });

  it('a dose goes down and not up, and more fish make more', () => {
    const left = curve('ready').map(([, value]) => value);
    expect(left.every((value, i) => i === 0 || value <= (left[i - 1] ?? 0))).toBe(true);
    expect(left[0]).toBeCloseTo(0.78, 1);
    const peaks = curve('how-many').map(([, value]) => value);
    expect(peaks[0]).toBe(0);
    expect(drawn('how-many').caption).toMatch(/one comes to 0\.\d+ ppm, \d+ to 0\.\d+, over/);
    expect(peaks.every((value, i) => i === 0 || value > (peaks[i - 1] ?? 0))).toBe(true);
  });

  it('nitrification uses 7.1 mg of alkalinity as CaCO3 a mg of nitrogen, and only what was dosed', () => {
    const values = curve('alkalinity-fell').map(([, value]) => value);
    // Eight doses of 1.55 mg N/L: 0.4 dKH a mg at the most.
    expect(8 - (values.at(-1) ?? 0)).toBeLessThanOrEqual(8 * 1.55 * 0.41);
    expect(8 - (values.at(-1) ?? 0)).toBeGreaterThan(4);
  });

  it('salt is kept: what evaporates leaves it, what is skimmed takes it', () => {
    expect(curve('size').find(([litres]) => litres === 100)?.[1]).toBeCloseTo(3500 / 99, 9);
    expect(curve('salinity-fell').at(-1)?.[1]).toBeCloseTo(35 * (1 - 0.1 / 200) ** 91, 9);
    expect(curve('big-change').map(([share, left]) => left + share * 0.4)).toEqual(
      curve('big-change').map(() => expect.closeTo(40, 9)),
    );
  });
});
