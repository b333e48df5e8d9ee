/** What a label says that a tap does: figures that count or tick do not make another act of it. */
export function actOfLabel(label: string): string {
  return label.replace(/[\d.,:]+/g, '#');
}
