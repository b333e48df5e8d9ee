import fc from 'fast-check';
import { animalsTold } from './read/animalsTold';
import { CATALOGUE } from '../livestock/catalogue';

const told = (text: string) =>
  animalsTold(text).map(({ move, count, what, group }) => [move, count, what, group]);

describe('animals that a note tells of', () => {
  it.each([
    ['+2 clowns', [['in', 2, 'Clowns', 'fish']]],
    ['+ 1 royal gramma', [['in', 1, 'Royal gramma', 'fish']]],
    ['Added a firefish', [['in', 1, 'Firefish', 'fish']]],
    ['got three cerith snails', [['in', 3, 'Cerith snail', 'invertebrate']]],
    ['lost one royal gramma', [['died', 1, 'Royal gramma', 'fish']]],
    ['firefish died', [['died', 1, 'Firefish', 'fish']]],
    [
      'added 2 royal grammas and 3 cerith snails. WC 20 %',
      [
        ['in', 2, 'Royal gramma', 'fish'],
        ['in', 3, 'Cerith snail', 'invertebrate'],
      ],
    ],
    ['new green star polyps', [['in', 1, 'Green star polyps', 'coral']]],
  ])('%s', (text, expected) => {
    expect(told(text)).toEqual(expected);
  });

  it.each([
    '+2 dKH',
    '+5 ml alk',
    '+0.5 ppm',
    'added 20 g of salt',
    'added new carbon',
    'lost power for two hours',
    'new pump',
    'heater died',
    'WC 20 %',
    '+900 clowns',
    '-1 goby',
    'the clowns are hiding',
    '+2',
    '',
  ])('none in "%s"', (text) => {
    expect(animalsTold(text)).toEqual([]);
  });

  it('names each animal of the catalogue that is named in full, whoever writes it', () => {
    for (const { names, group } of CATALOGUE) {
      const [name = ''] = names;
      if (/[;,.!&]|\band\b/i.test(name)) continue;
      const [found] = animalsTold(`+3 ${name}`);
      expect([name, found?.count, found?.group]).toEqual([name, 3, group]);
    }
  });

  it('never throws, and never tells of more than could be meant', () => {
    const text = fc.oneof(
      fc.string(),
      fc.stringMatching(/^(\+|added |lost |new )[0-9a-z ,.&x]{0,40}( died| dead)?$/),
    );
    fc.assert(
      fc.property(text, (note) => {
        for (const { count, what } of animalsTold(note)) {
          expect(Number.isInteger(count) && count >= 1 && count <= 200).toBe(true);
          expect(what.trim()).not.toBe('');
        }
      }),
      { numRuns: 300 },
    );
  });
});
