/** One file of a font: what it is asked for as, and which letters it has. */
export interface FontFace {
  family: 'Public Sans' | 'Source Serif 4';
  weight: 400 | 600 | 700;
  style: 'normal' | 'italic';
  letters: 'latin' | 'latin-ext';
}

const FACES: readonly Omit<FontFace, 'letters'>[] = [
  { family: 'Public Sans', weight: 400, style: 'normal' },
  { family: 'Public Sans', weight: 600, style: 'normal' },
  { family: 'Public Sans', weight: 700, style: 'normal' },
  { family: 'Source Serif 4', weight: 400, style: 'italic' },
  { family: 'Source Serif 4', weight: 600, style: 'italic' },
];

/** Letters beyond those of western European languages, which stand in a file of their own. */
const BEYOND_LATIN =
  /[\u0100-\u02ff\u1e00-\u1eff\u20a0-\u20ab\u20ad-\u20cf\u2c60-\u2c7f\ua720-\ua7ff]/;

/** The name of the file of a font, as it is served. */
export function fontFile({ family, weight, style, letters }: FontFace): string {
  const name = family.toLowerCase().replace(/ /g, '-');
  return `${name}-${letters}-${weight}-${style}.woff2`;
}

/** The files of fonts that a drawing needs to look anywhere as it does here. @param svg its text */
export function facesOf(svg: string): FontFace[] {
  const beyond = BEYOND_LATIN.test(svg);
  const bold = /font-weight(: ?|=")(bold|700)/.test(svg);
  return FACES.filter(
    ({ family, weight }) => svg.includes(family) && (weight !== 700 || bold),
  ).flatMap((face): FontFace[] => [
    { ...face, letters: 'latin' },
    ...(beyond ? [{ ...face, letters: 'latin-ext' as const }] : []),
  ]);
}

/**
 * The rules that carry fonts within a file.
 * @param fonts each with its bytes as base64
 */
export function fontRules(fonts: readonly { face: FontFace; base64: string }[]): string {
  return fonts
    .map(
      ({ face, base64 }) =>
        `@font-face{font-family:'${face.family}';font-weight:${face.weight};font-style:${face.style};src:url(data:font/woff2;base64,${base64}) format('woff2');unicode-range:${face.letters === 'latin' ? 'U+0-FF,U+131,U+152-153,U+2BB-2DC,U+2000-206F,U+20AC,U+2122,U+2190-2193,U+2212,U+2215' : 'U+100-2FF,U+1E00-1EFF,U+20A0-20CF'}}`,
    )
    .join('');
}
