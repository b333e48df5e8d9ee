import fc from 'fast-check';
import { jsonOf } from './json';

describe('a JSON text', () => {
  it('comes back as what was written, with or without a byte-order mark', () => {
    fc.assert(
      fc.property(fc.json(), fc.boolean(), (text, marked) => {
        expect(jsonOf(marked ? `\uFEFF${text}` : text)).toEqual(JSON.parse(text));
      }),
    );
  });

  it.each(['', '\uFEFF', '{"a":1', 'undefined', '{"a":1} {"b":2}'])(
    'is undefined, and never null, where it is none: %p',
    (text) => {
      expect(jsonOf(text)).toBeUndefined();
      expect(jsonOf('null')).toBeNull();
    },
  );
});
