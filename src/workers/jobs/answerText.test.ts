import fc from 'fast-check';
import { answerFromText, answerToText } from './answerText';

const anything = fc.anything({
  values: [
    fc.string(),
    fc.double().map((value) => (Object.is(value, -0) ? 0 : value)),
    fc.boolean(),
    fc.constant(null),
    fc.float64Array(),
    fc.float32Array(),
  ],
  key: fc.string().filter((key) => !['rowOf', 'endless', '__proto__'].includes(key)),
  maxDepth: 3,
});

describe('an answer as a text', () => {
  it('is read back to the digit, rows of numbers with those that are none included', () => {
    fc.assert(
      fc.property(anything, (answer) => {
        expect(answerFromText(answerToText(answer))).toEqual(answer);
      }),
    );
    const row = new Float64Array([Number.NaN, -0, Number.POSITIVE_INFINITY, 5e-324]);
    expect(answerFromText(answerToText({ row: row.subarray(1) }))).toEqual({ row: row.slice(1) });
  });

  it('refuses rows of another kind', () => {
    expect(() => answerToText(new Uint8Array(3))).toThrow(/holds no/);
  });

  test.each([
    '{"endless":"1"}',
    '{"rowOf":"Array","bytes":""}',
    '{"rowOf":"Float64Array","bytes":"AAA="}',
    '{',
  ])('refuses a damaged text: %s', (text) => {
    expect(() => answerFromText(text)).toThrow();
  });
});
