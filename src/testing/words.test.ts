import { shippedFiles, wordsOf, type Said } from './sentences';

/** A noun of our own that keepers have another word for. */
interface Private {
  noun: string;
  /** What it is called now. */
  now: string;
  /** As part of a name, in lower case. */
  parts: readonly string[];
  /** As it would stand in a sentence, a label or a key. */
  said: RegExp;
  /** Where the word means something else, and what. */
  elsewhere?: RegExp;
}

const PRIVATE: readonly Private[] = [
  { noun: 'bench', now: 'calculators', parts: ['bench'], said: /\bbench(es)?\b/i },
  { noun: 'rhythm', now: 'maintenance', parts: ['rhythm'], said: /\brhythms?\b/i },
  { noun: 'sitting', now: 'test session', parts: ['sitting', 'sittings'], said: /\bsittings?\b/i },
  {
    noun: 'colony',
    now: 'filter bacteria',
    parts: ['colony', 'colonies'],
    said: /\bcolon(y|ies)\b/i,
    // There it is a coral.
    elsewhere: /corals|catalogue/,
  },
  { noun: 'gape', now: 'mouth size', parts: ['gape'], said: /\bgapes?\b/i },
  { noun: 'untold', now: 'not entered', parts: ['untold'], said: /\buntold\b/i },
  { noun: 'warmth', now: 'temperature', parts: ['warmth'], said: /\bwarmth\b/i },
  {
    noun: 'crew',
    now: 'clean-up crew',
    parts: ['crew', 'crews'],
    said: /(?<!clean-up )\bcrews?\b/i,
  },
  { noun: 'school', now: 'rule for done', parts: ['school', 'schools'], said: /\bschools?\b/i },
  {
    noun: 'spot',
    now: 'position',
    parts: ['spot', 'spots'],
    said: /(?<!white )(?<!white-)\bspots?\b/i,
    // There it is what a sick fish shows.
    elsewhere: /procedures\/loss/,
  },
  {
    noun: 'lot',
    now: 'group, in code cohort',
    parts: ['lot', 'lots'],
    said: /\blots?\b/i,
    // There it is the number on a bottle.
    elsewhere: /instruments\/|schema\/kit|kitTemplates/,
  },
  {
    noun: 'ceiling',
    now: 'feeding limit',
    parts: ['ceiling'],
    said: /\bceilings?\b/i,
    // There it is how many bacteria a surface carries, the top of a scale, and that of a room.
    elsewhere: /core\/(cycle|practice)\/|ui\/chart\/labels|emergency\/leak/,
  },
  {
    noun: 'response',
    now: 'measure, what was done about growth',
    parts: ['response', 'responses'],
    said: /\bresponses?\b/i,
    // There it is what a server sends.
    elsewhere: /^server\/|storage\/(instruments|monitorLink)/,
  },
  {
    noun: 'reach',
    now: 'sting range',
    parts: ['reach'],
    said: /\b(its|the|a|and) reach\b(?! of)/i,
  },
  {
    noun: 'course',
    now: 'timeline',
    parts: ['course'],
    said: /\bits course\b(?! \()/i,
    // There it is how a figure runs over hours and days.
    elsewhere:
      /^cli\/|core\/(acclimation|cycle|guide|livestock|moving|practice|quarantine|water)|workers|ui\/(chart|drip)|features\/practice|^server\/instruments\/standIns|cycle\/CycleChart|stock\/acclimation/,
  },
  { noun: 'hold', now: 'days at zero', parts: [], said: /\b(a|the|its|your|this) hold\b/i },
  { noun: 'due', now: 'to do', parts: [], said: /^Due$/ },
  { noun: 'make water', now: 'mix saltwater', parts: [], said: /^make water$/i },
  { noun: 'daily look', now: 'daily check', parts: [], said: /\bdaily looks?\b/i },
  { noun: 'red sheet', now: 'cyanobacteria (red slime)', parts: [], said: /\bred sheets?\b/i },
  { noun: 'brown snot', now: 'dinoflagellates', parts: [], said: /\bsnot\b/i },
];

/** The words that a name or a path is made of, in lower case. */
const partsOf = (name: string) =>
  name
    .replace(/([a-z0-9])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .split(/[^a-z0-9]+/);

/** Words before which a noun is what keepers say themselves: a clean-up crew, white spots. */
const TOGETHER: Readonly<Record<string, string>> = { crew: 'up', crews: 'up', spots: 'white' };

const named = (parts: readonly string[], own: readonly string[]) =>
  parts.some(
    (part, i) =>
      own.includes(part) && (TOGETHER[part] === undefined || TOGETHER[part] !== parts[i - 1]),
  );

const FILES = shippedFiles();
const WORDS = FILES.map((file) => ({ file, ...wordsOf(file) }));
const place = ({ file, line, text }: Said) => `${file}:${line} ${text}`;

describe('words that only we would use', () => {
  it.each(PRIVATE.map((one) => [one.noun, one.now, one] as const))(
    '%s is %s',
    (_noun, _now, { parts, said, elsewhere }) => {
      const found = WORDS.filter(({ file }) => !elsewhere?.test(file)).flatMap(
        ({ file, identifiers, keys, sentences }) => [
          ...(named(partsOf(file), parts) ? [file] : []),
          ...identifiers.filter(({ text }) => named(partsOf(text), parts)).map(place),
          ...sentences.filter(({ text }) => said.test(text)).map(place),
          ...keys.filter(({ text }) => named(partsOf(text), parts)).map(place),
        ],
      );
      expect([...new Set(found)]).toEqual([]);
    },
  );

  it('are looked for in every file that ships', () => {
    expect(WORDS.length).toBeGreaterThan(700);
    expect(WORDS.flatMap(({ sentences }) => sentences).length).toBeGreaterThan(3000);
    expect(named(partsOf('untoldParts'), ['untold'])).toBe(true);
    expect(named(partsOf('cleanUpCrewFor'), ['crew'])).toBe(false);
    expect(named(partsOf('src/features/bench/Sum.tsx'), ['bench'])).toBe(true);
  });
});
