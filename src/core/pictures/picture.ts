/** A drawing as it stands on a screen, and what has to stand with it once it is alone. */
export interface Drawn {
  /** The text of its `<svg>`. */
  svg: string;
  /** px. */
  width: number;
  height: number;
  /** What it shows, in a sentence. */
  summary: string;
  /** The unit of its figures; left out where they bear their own. */
  unit?: string;
  /** How it is to be read: what is shaded, which marks do not count. */
  legend?: string;
  /** What time it spans, ms; left out where it spans none. */
  span?: { from: number; to: number };
}

/** What stands around a drawing that leaves. */
export interface Surroundings {
  /** What the screen answers: "Nitrate 5 ppm NO3." */
  title: string;
  /** Lines under it: of which tank, from when to when, in which unit. */
  foot: readonly string[];
  /** The colours of the day by their names: `--ink` to `#15252e`. */
  colours: Readonly<Record<string, string>>;
  /** Rules for the fonts that go along. */
  fonts: string;
  /** The width of a text, px, in letters of a size. */
  measure: (text: string, size: number) => number;
}

/** Room around everything, px. */
const EDGE = 24;
/** A picture is no narrower than this, so that its words have room. */
const LEAST = 360;
const TITLE = { size: 24, line: 30 };
const SENTENCE = { size: 15, line: 21 };
const FOOT = { size: 12.5, line: 18 };
const SERIF = 'font-family="\'Source Serif 4\', Georgia, serif"';
const SANS = 'font-family="\'Public Sans\', system-ui, sans-serif"';

/** A text as it stands in XML. */
export const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

/** What XML can hold: half a pair of a letter beyond the usual, and signs that no printer knows, cannot be in it. */
const wellFormed = (text: string): string =>
  text.replace(/\p{Cs}/gu, '\uFFFD').replace(/(?![\n\t])\p{Cc}/gu, '');

/** A text in lines no wider than a width; a word that is wider has a line of its own. */
export function inLines(text: string, width: number, widthOf: (text: string) => number): string[] {
  const lines: string[] = [];
  for (const word of text.split(/\s+/).filter((one) => one !== '')) {
    const last = lines.at(-1);
    if (last !== undefined && widthOf(`${last} ${word}`) <= width) {
      lines[lines.length - 1] = `${last} ${word}`;
    } else lines.push(word);
  }
  return lines;
}

/** Colours by name become those of the day, whatever the screen shows. A name that is none stays black. */
const inDayColours = (svg: string, colours: Surroundings['colours']): string =>
  svg.replace(/var\((--[a-z0-9-]+)\)/g, (_all, name: string) => colours[name] ?? '#000');

/** The drawing itself without its outermost element. */
const within = (svg: string): string =>
  svg.replace(/^[\s\S]*?<svg\b[^>]*>/, '').replace(/<\/svg>\s*$/, '');

/**
 * A drawing as a picture that stands alone: on a light ground, with what it answers, what it shows, its tank,
 * dates and unit, and its fonts within.
 * @returns the text of an SVG (W3C SVG 1.1), and its size in px
 */
export function pictureOf(
  { svg, width: drawn, height: deep, summary }: Drawn,
  { title, foot, colours, fonts, measure }: Surroundings,
): { svg: string; width: number; height: number } {
  const width = Math.max(LEAST, drawn) + 2 * EDGE;
  const room = width - 2 * EDGE;
  let y = EDGE;
  const parts: string[] = [];
  const write = (text: string, kind: { size: number; line: number }, look: string) => {
    for (const line of inLines(text, room, (one) => measure(one, kind.size))) {
      y += kind.line;
      parts.push(
        `<text x="${EDGE}" y="${y - kind.line * 0.25}" font-size="${kind.size}" ${look}>${escaped(line)}</text>`,
      );
    }
  };
  const [ink, soft] = [colours['--ink'] ?? '#000', colours['--ink-soft'] ?? '#444'];
  if (title !== '') {
    write(title, TITLE, `${SERIF} font-style="italic" font-weight="600" fill="${ink}"`);
  }
  write(summary, SENTENCE, `${SANS} fill="${ink}"`);
  y += 16;
  parts.push(`<g transform="translate(${EDGE} ${y})">${inDayColours(within(svg), colours)}</g>`);
  y += deep + 10;
  for (const line of foot) write(line, FOOT, `${SANS} fill="${soft}"`);
  const height = Math.ceil(y + EDGE);
  return {
    width,
    height,
    svg: wellFormed(
      [
        `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" role="img">`,
        `<title>${escaped(title === '' ? summary : title)}</title><desc>${escaped(summary)}</desc>`,
        fonts === '' ? '' : `<style>${fonts}</style>`,
        `<rect width="${width}" height="${height}" fill="${colours['--raised'] ?? '#fff'}"/>`,
        ...parts,
        '</svg>\n',
      ].join(''),
    ),
  };
}
