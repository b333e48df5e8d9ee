import { cleanup, screen } from '@testing-library/react';
import { PAGE_DRAWINGS } from '@/core/guide/pageDrawings';
import { QUESTIONS } from '@/frame/guideQuestions';
import { rowOf } from './shell/places';
import { PLACE_TERMS } from './shell/TermsHere';
import { SUMS } from '@/core/sums';
import { isProcedure } from '@/core/runs/procedures';
import { demoStore, show } from '../testing/appHarness';
import { HERE } from '../testing/services';
import { GUIDE_PAGES, PAGE_GROUPS } from './glossary/pages';
import { PageScreen } from './glossary/PageScreen';
import { TERMS } from './glossary/terms';

jest.mock('expo-router', () => ({ useRouter: jest.fn(), usePathname: () => '/' }));

it('each place names words that the Guide explains, a few at most', () => {
  const known = TERMS.map(({ term }) => term);
  for (const terms of Object.values(PLACE_TERMS)) {
    expect(known).toEqual(expect.arrayContaining([...terms]));
    expect(terms.length).toBeLessThanOrEqual(3);
  }
});

it('a page shows what the model draws for it, with what is seen in it in words', async () => {
  const store = await demoStore('Kittiwake', HERE);
  await show(store, <PageScreen id="salinity" needsTank={() => false} />);
  expect(await screen.findByText(/^1\.025 is not 35 ppt/)).toBeTruthy();
  cleanup();
  await show(store, <PageScreen id="tap" needsTank={() => false} />);
  expect(screen.queryByRole('img')).toBeNull();
});

it('what is drawn stands on a page', () => {
  const ids = GUIDE_PAGES.map(({ id }) => id);
  expect(ids).toEqual(expect.arrayContaining([...PAGE_DRAWINGS.keys()]));
});

describe('the guide', () => {
  it('has a page or more for each group, each told apart and saying what else it is called', () => {
    expect(GUIDE_PAGES.length).toBeGreaterThanOrEqual(32);
    // A question without its page would lead nowhere from the screens that name it.
    const ids = GUIDE_PAGES.map(({ id }) => id);
    expect(ids).toEqual(expect.arrayContaining(Object.keys(QUESTIONS)));
    expect(new Set(ids).size).toBe(ids.length);
    expect([...new Set(GUIDE_PAGES.map(({ group }) => group))]).toEqual([...PAGE_GROUPS]);
    expect(GUIDE_PAGES.filter(({ also }) => also.split(' ').length < 4)).toEqual([]);
  });

  it.each(GUIDE_PAGES.map((page) => [page.id, page] as const))(
    '%s answers its question in short, and leads to places that are there',
    (_id, { question, answer, text, does }) => {
      expect(question).toMatch(/[?]$|[?] .*[.?]$/);
      expect(answer.length).toBeLessThan(220);
      expect(text.join(' ').split(/\s+/).length).toBeLessThan(160);
      expect(does.length).toBeGreaterThan(0);
      for (const { open } of does) {
        expect([open, rowOf(open.split('?')[0] ?? '') !== undefined]).toEqual([open, true]);
        const [, place, id = ''] = open.split('/');
        if (place === 'calculators') expect(SUMS.map((sum) => sum.id)).toContain(id);
        if (place === 'runs') expect([id, isProcedure(id)]).toEqual([id, true]);
      }
    },
  );
});
