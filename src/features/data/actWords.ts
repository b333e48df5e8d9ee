import type { Act } from '@/core/records/acts';
import { PARAMETERS } from '@/core/parameters/registry';
import type { Revision } from '@/core/records/schema/revision';
import { countOf, listWords } from '@/core/units/format';
import { kindWords } from '@/shared/kindWords';

function noun(revision: Revision): string {
  switch (revision.type) {
    case 'tank':
      return `tank ${revision.body.name}`;
    case 'kit':
      return revision.body.name;
    case 'settings':
      return 'settings';
    case 'entry':
      switch (revision.body.kind) {
        case 'reading':
          return PARAMETERS[revision.body.parameter].inSentence;
        case 'dose':
          return 'dose';
        case 'waterChange':
          return 'water change';
        case 'note':
          return 'note';
        default:
          return kindWords(revision.body).title.toLowerCase();
      }
  }
}

/** What an act did, in a line: "Logged ammonia, nitrite and pH". */
export function actWords(act: Act): string {
  const [first] = act.revisions;
  if (!first) return 'Nothing';
  const verb = first.deleted
    ? 'Removed'
    : first.rev > 1
      ? 'Changed'
      : first.type === 'entry'
        ? 'Logged'
        : 'Added';
  const nouns = [...new Set(act.revisions.map(noun))];
  if (nouns.length > 4) return `${verb} ${countOf(act.revisions.length, 'record')}`;
  return `${verb} ${listWords(nouns)}`;
}
