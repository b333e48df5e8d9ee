import { facesOf, fontFile, fontRules } from '@/core/pictures/fonts';

/** Pixels of a picture to each px of the screen: sharp on paper and on phones. */
const SHARPNESS = 3;

/** The colours of the day by their names, whatever the screen shows now. */
export function dayColours(): Record<string, string> {
  const colours: Record<string, string> = {};
  for (const sheet of document.styleSheets) {
    for (const rule of rulesOf(sheet)) {
      if (!(rule instanceof CSSStyleRule) || !/data-theme=["']?day/.test(rule.selectorText)) {
        continue;
      }
      for (const name of rule.style) {
        if (name.startsWith('--')) colours[name] = rule.style.getPropertyValue(name).trim();
      }
    }
  }
  return colours;
}

/** The rules of a stylesheet; none of one that may not be read, as those of extensions. */
function rulesOf(sheet: CSSStyleSheet): readonly CSSRule[] {
  try {
    return [...sheet.cssRules];
  } catch {
    return [];
  }
}

/** What the width of texts is measured by, in the fonts of the app. */
export function textMeasure(): (text: string, size: number) => number {
  const context = document.createElement('canvas').getContext('2d');
  return (text, size) => {
    // Without a canvas: about the width of a letter, a little on the wide side.
    if (!context) return text.length * size * 0.56;
    context.font = `600 ${size}px 'Public Sans', system-ui, sans-serif`;
    return context.measureText(text).width;
  };
}

/** The rules for the fonts of a drawing, with the fonts in them; a font that is not to be had is left out. */
export async function fontsWithin(svg: string): Promise<string> {
  const fonts = await Promise.all(
    facesOf(svg).map(async (face) => {
      const base64 = await fetch(`/fonts/${fontFile(face)}`)
        .then(async (file) => (file.ok ? base64Of(await file.blob()) : null))
        .catch(() => null);
      return base64 === null ? [] : [{ face, base64 }];
    }),
  );
  return fontRules(fonts.flat());
}

function base64Of(blob: Blob): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result).replace(/^[^,]*,/, ''));
    reader.onerror = () => reject(new Error('It could not be read.'));
    reader.readAsDataURL(blob);
  });
}

/** A drawing as an address that an image can show. */
export const svgAddress = (svg: string): string =>
  `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;

/** A drawing as pixels. @returns null where this browser cannot */
export async function pngOf(svg: string, width: number, height: number): Promise<Blob | null> {
  const image = new Image(width, height);
  image.src = svgAddress(svg);
  try {
    await image.decode();
  } catch {
    return null;
  }
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(width * SHARPNESS);
  canvas.height = Math.round(height * SHARPNESS);
  const context = canvas.getContext('2d');
  if (!context) return null;
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve) => canvas.toBlob(resolve, 'image/png'));
}
