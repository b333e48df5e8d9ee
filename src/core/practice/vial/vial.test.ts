import { KIT_TEMPLATES } from '../../records/kitTemplates';
import { apart } from './colour';
import { LIGHTS } from './spectra';
import { hasVial, vialShown } from './vial';

const CARDS = KIT_TEMPLATES.flatMap(({ id, parameter, scale }) =>
  scale.form === 'card' && hasVial(parameter) ? [{ id, parameter, steps: scale.steps }] : [],
);
const rgb = (css: string) => css.match(/\d+/g)?.map(Number) as unknown as [number, number, number];
const look = (card: (typeof CARDS)[number], shown: number, light: (typeof LIGHTS)[number]) => {
  const seen = vialShown(card.parameter, card.steps, shown, light);
  if (!seen) throw new Error('no vial');
  return { vial: rgb(seen.vial), card: seen.card.map(rgb) };
};

describe('a vial beside its card', () => {
  it('is there for each card test that a keeper starts with', () => {
    expect(CARDS.length).toBeGreaterThanOrEqual(3);
    expect(vialShown('ph', [7, 8], 7.5, 'daylight')).toBeNull();
  });

  test.each(CARDS)(
    'looks like the patch of its step in daylight, and like no other: $id',
    (card) => {
      card.steps.forEach((step, n) => {
        const { vial, card: patches } = look(card, step, 'daylight');
        const off = patches.map((patch) => apart(vial, patch));
        expect(off[n]).toBeLessThan(4);
        off.forEach((each, k) => {
          if (k !== n) expect(each).toBeGreaterThan(6);
        });
      });
    },
  );

  test.each(CARDS)('is taken for another step under blue reef light: $id', (card) => {
    const taken = (step: number, light: (typeof LIGHTS)[number]) => {
      const { vial, card: patches } = look(card, step, light);
      const off = patches.map((patch) => apart(vial, patch));
      return card.steps[off.indexOf(Math.min(...off))];
    };
    const wrong = (light: (typeof LIGHTS)[number]) =>
      card.steps.filter((step) => taken(step, light) !== step).length;
    expect(wrong('daylight')).toBe(0);
    expect(wrong('reef')).toBeGreaterThan(0);
  });

  test.each(CARDS)('misleads under another light, since dyes are no inks: $id', (card) => {
    const off = (light: (typeof LIGHTS)[number]) =>
      Math.max(
        ...card.steps.map((step, n) => {
          const { vial, card: patches } = look(card, step, light);
          return apart(vial, patches[n] as [number, number, number]);
        }),
      );
    expect(off('reef')).toBeGreaterThan(2 * off('daylight'));
  });

  it('grows stronger with what is in it, step by step', () => {
    for (const card of CARDS) {
      const zero = look(card, 0, 'daylight').vial;
      let before = 0;
      for (const step of card.steps.slice(1)) {
        const now = apart(zero, look(card, step, 'daylight').vial);
        expect(now).toBeGreaterThan(before);
        before = now;
      }
    }
  });
});
