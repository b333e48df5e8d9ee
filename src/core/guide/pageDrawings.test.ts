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
});
