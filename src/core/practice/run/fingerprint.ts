import { TRUTHS, type Course } from '../world/live';

const view = new DataView(new ArrayBuffer(8));

/** Hashes numbers by all their bits, two ways at once (FNV-1a, Fowler, Noll and Vo, over words of 32 bits). */
class Bits {
  private one = 0x811c9dc5;
  private other = 0x9747b28c;

  private word(bits: number): void {
    this.one = Math.imul(this.one ^ bits, 0x01000193);
    this.other = Math.imul(this.other ^ (bits + (this.one >>> 7)), 0x85ebca6b);
  }

  number(value: number): void {
    view.setFloat64(0, value);
    this.word(view.getUint32(0));
    this.word(view.getUint32(4));
  }

  text(text: string): void {
    for (let i = 0; i < text.length; i += 1) this.word(text.charCodeAt(i));
  }

  toString(): string {
    return [this.one, this.other]
      .map((part) => (part >>> 0).toString(16).padStart(8, '0'))
      .join('');
  }
}

/** A hash of every truth of every hour, by all its bits: two devices that lived the same life show the same. */
export function fingerprint({ series, lived }: Course): string {
  const bits = new Bits();
  for (const truth of TRUTHS) for (const value of series[truth]) bits.number(value);
  for (const { hour, what, of } of lived.state.deaths) {
    bits.number(hour);
    bits.text(what);
    bits.text(of);
  }
  return bits.toString();
}
