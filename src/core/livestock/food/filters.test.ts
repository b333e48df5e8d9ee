import fc from 'fast-check';
import { CATALOGUE } from '../catalogue';
import { ANY_HOME } from '../compatibility/types';
import { FILTERS, narrowed, type FilterId } from './filters';

const IDS = Object.keys(FILTERS) as FilterId[];
const NANO = { ...ANY_HOME, litres: 40, lengthCm: 40 };
const ids = (filters: FilterId[], home = ANY_HOME) =>
  narrowed(CATALOGUE, filters, home).map(({ id }) => id);

describe('the catalogue narrowed', () => {
  it('lets all pass without a filter, and with more of them never more', () => {
    expect(ids([])).toHaveLength(CATALOGUE.length);
    fc.assert(
      fc.property(fc.subarray(IDS), fc.constantFrom(...IDS), (some, another) => {
        const wide = new Set(ids(some));
        const narrow = ids([...some, another]);
        expect(narrow.every((id) => wide.has(id))).toBe(true);
      }),
      { numRuns: 40 },
    );
  });

  it('each filter lets some pass and keeps some out', () => {
    for (const filter of IDS) {
      const passed = ids([filter], NANO).length;
      expect([filter, passed > 0, passed < CATALOGUE.length]).toEqual([filter, true, true]);
    }
  });

  it('a small tank keeps out what grows large, and lets in what stays small', () => {
    const fitting = ids(['fitsTank'], NANO);
    expect(fitting).toContain('neon-goby');
    expect(fitting).not.toContain('niger-triggerfish');
    expect(ids(['reefSafe'])).not.toContain('niger-triggerfish');
    expect(ids(['peaceful'])).not.toContain('maroon-clownfish');
  });

  it('a first one is small, mild and without danger, however hardy others are', () => {
    const first = ids(['beginners']);
    const never = [
      ...[
        'blue-devil-damselfish',
        'domino-damselfish',
        'azure-damselfish',
        'yellowtail-damselfish',
      ],
      ...['picasso-triggerfish', 'niger-triggerfish', 'snowflake-moray', 'engineer-goby'],
      ...['tomato-clownfish', 'clarkii-clownfish', 'dwarf-lionfish', 'foxface', 'yellow-tang'],
      ...['tiger-pistol-shrimp', 'arrow-crab', 'bubble-tip-anemone', 'zoanthids', 'hammer-coral'],
    ];
    expect(first.filter((id) => never.includes(id))).toEqual([]);
    for (const id of ['ocellaris-clownfish', 'royal-gramma', 'firefish', 'skunk-cleaner-shrimp']) {
      expect(first).toContain(id);
    }
  });
});
