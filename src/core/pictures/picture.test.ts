import fc from 'fast-check';
import { fromAbove } from './fromAbove';
import { facesOf, fontFile, fontRules } from './fonts';
import { inLines, pictureOf, type Drawn, type Surroundings } from './picture';

const measure = (text: string, size: number) => text.length * size * 0.5;
const around: Surroundings = {
  title: 'Nitrate 5 ppm NO3.',
  foot: ['Kittiwake', '12 Nov to 1 Dec 2026 · ppm NO3'],
  colours: { '--ink': '#15252e', '--ink-soft': '#4a5b63', '--raised': '#fcf9f1' },
  fonts: '',
  measure,
};
const drawn: Drawn = {
  svg: '<svg width="350" height="232"><line stroke="var(--ink)"></line><text fill="var(--odd)">5</text></svg>',
  width: 350,
  height: 232,
  summary: 'Nitrate over time, 3 readings.',
};
const of = (changes: Partial<Drawn> = {}, other: Partial<Surroundings> = {}) =>
  pictureOf({ ...drawn, ...changes }, { ...around, ...other });

/** Every text of a picture with where it stands. */
const texts = (svg: string) =>
  [...svg.matchAll(/<text x="(\d+)" y="([\d.]+)"[^>]*>([^<]*)<\/text>/g)].map(([, x, y, text]) => ({
    x: Number(x),
    y: Number(y),
    text: text ?? '',
  }));

describe('a drawing that leaves as a picture', () => {
  it('has its answer, its sentence, its tank, dates and unit, on a light ground', () => {
    const { svg, width, height } = of();
    expect(texts(svg).map(({ text }) => text)).toEqual([
      'Nitrate 5 ppm NO3.',
      'Nitrate over time, 3 readings.',
      'Kittiwake',
      '12 Nov to 1 Dec 2026 · ppm NO3',
    ]);
    expect(svg).toContain(`<rect width="${width}" height="${height}" fill="#fcf9f1"/>`);
    expect(svg).toMatch(/^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg"/);
  });

  it('has the colours of the day, and none by a name that stands for nothing elsewhere', () => {
    const { svg } = of();
    expect(svg).toContain('<line stroke="#15252e">');
    expect(svg).not.toContain('var(');
  });

  it('lets no name break out of its text', () => {
    const { svg } = of({ summary: '</text><script>"&' }, { title: '<b>Reef & "co"</b>' });
    expect(svg).not.toMatch(/<script|<b>/);
    expect(svg).toContain('&lt;b&gt;Reef &amp; &quot;co&quot;&lt;/b&gt;');
  });

  it('holds everything within its edges, one under the other, however long the words', () => {
    const words = fc.array(fc.stringMatching(/^[a-z]{1,12}$/), { minLength: 1, maxLength: 60 });
    fc.assert(
      fc.property(
        words,
        words,
        fc.integer({ min: 100, max: 1200 }),
        fc.integer({ min: 40, max: 500 }),
        (title, summary, width, height) => {
          const picture = of(
            { width, height, summary: summary.join(' ') },
            { title: title.join(' ') },
          );
          const lines = texts(picture.svg);
          const place = Number(/translate\(24 ([\d.]+)\)/.exec(picture.svg)?.[1]);
          const [before, after] = [
            lines.filter(({ y }) => y < place),
            lines.filter(({ y }) => y >= place),
          ];
          const sorted = lines.map(({ y }) => y);
          expect([...sorted].sort((a, b) => a - b)).toEqual(sorted);
          expect(after.map(({ text }) => text)).toEqual(around.foot);
          for (const { y } of after) expect(y).toBeGreaterThan(place + height);
          expect(before.map(({ text }) => text).join(' ')).toBe([...title, ...summary].join(' '));
          expect(picture.height).toBeGreaterThan(Math.max(...sorted));
          expect(picture.width).toBeGreaterThanOrEqual(width + 48);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is whole whatever letters are in it', () => {
    const any = fc.string({ unit: 'binary', maxLength: 40 });
    fc.assert(
      fc.property(any, any, (title, inner) => {
        const { svg } = of(
          { svg: `<svg><text>${inner.replace(/[<&]/g, '')}\ud83d</text></svg>` },
          { title },
        );
        expect(() => encodeURIComponent(svg)).not.toThrow();
        expect(svg).not.toMatch(/(?![\n\t])\p{Cc}/u);
      }),
    );
  });

  it('breaks lines at words and loses none', () => {
    const widthOf = (text: string) => text.length;
    expect(inLines('one two three', 7, widthOf)).toEqual(['one two', 'three']);
    expect(inLines('extraordinarily long', 7, widthOf)).toEqual(['extraordinarily', 'long']);
    expect(inLines('  ', 7, widthOf)).toEqual([]);
  });
});

describe('a tank from above', () => {
  it('has each coral where it stands, to scale, with its ring and its name', () => {
    const coral = { name: 'Zoa & co', x: 50, z: 0, stingRange: 10, trouble: true };
    const drawing = fromAbove('The tank from above.', 100, 50, [coral]);
    expect(drawing).toMatchObject({ width: 560, height: 280 });
    expect(drawing.svg).toContain('<circle cx="280" cy="280" r="56"');
    expect(drawing.legend).toContain('Zo: Zoa & co.');
    const { svg } = of(drawing);
    expect(svg).not.toContain('var(');
    expect(svg).toContain('clip-path="url(#glass)"');
  });

  it('is drawn whatever its size and however many stand in it', () => {
    const item = fc.record({
      name: fc.string({ minLength: 1, maxLength: 60 }),
      x: fc.integer({ min: 0, max: 500 }),
      z: fc.integer({ min: 0, max: 200 }),
      stingRange: fc.integer({ min: 0, max: 40 }),
      trouble: fc.boolean(),
    });
    const size = fc.integer({ min: 1, max: 500 });
    fc.assert(
      fc.property(size, size, fc.array(item, { maxLength: 8 }), (width, depth, items) => {
        const { svg, height } = fromAbove('Above.', width, depth, items);
        expect(height).toBeGreaterThanOrEqual(40);
        expect(svg).not.toMatch(/NaN|Infinity|undefined/);
        expect(svg.split('<').length).toBe(svg.split('>').length);
      }),
      { numRuns: 60 },
    );
  });
});

describe('the fonts of a picture', () => {
  it('are those of its letters, and no others', () => {
    const sans = `<text style="font-family: 'Public Sans'">5</text>`;
    expect(facesOf(sans).map(fontFile)).toEqual([
      'public-sans-latin-400-normal.woff2',
      'public-sans-latin-600-normal.woff2',
    ]);
    const both = `${sans}<text font-family="'Source Serif 4'">Łódź</text>`;
    expect(facesOf(both).map(fontFile)).toEqual([
      'public-sans-latin-400-normal.woff2',
      'public-sans-latin-ext-400-normal.woff2',
      'public-sans-latin-600-normal.woff2',
      'public-sans-latin-ext-600-normal.woff2',
      'source-serif-4-latin-400-italic.woff2',
      'source-serif-4-latin-ext-400-italic.woff2',
      'source-serif-4-latin-600-italic.woff2',
      'source-serif-4-latin-ext-600-italic.woff2',
    ]);
    expect(facesOf('<svg></svg>')).toEqual([]);
  });

  it('go along within the file', () => {
    const [face] = facesOf("'Public Sans'");
    if (!face) throw new Error('a face');
    expect(fontRules([{ face, base64: 'AAAA' }])).toContain('url(data:font/woff2;base64,AAAA)');
  });
});
