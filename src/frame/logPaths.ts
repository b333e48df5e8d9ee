import type { OtherForm } from '@/core/opens';
import type { EntryKind } from '@/core/records/kinds';

/** Forms of the log that others lead to, and their addresses where they are not the kind's own name. */
const PATHS: Partial<Record<EntryKind | OtherForm, string>> = {
  reading: 'test',
};

/** The address under /log of a kind's form, or of one of its other starts: "water-change". */
export function logPath(form: EntryKind | OtherForm): string {
  return PATHS[form] ?? form.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
}
