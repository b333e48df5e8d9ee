import type { Act } from '@/core/records/acts';
import { entryTitle, kindName } from '@/core/records/kinds';
import type { Revision } from '@/core/records/schema/revision';
import { countOf, listWords } from '@/core/units/format';
import { unreachable } from '@/core/unreachable';

function noun(revision: Revision): string {
  switch (revision.type) {
    case 'tank':
      return `tank ${revision.body.name}`;
    case 'kit':
      return revision.body.name;
    case 'settings':
      return 'settings';
    case 'wish':
      return 'a wish';
    case 'position':
      return `the place of ${revision.body.what}`;
    case 'species':
      return `animal ${revision.body.names[0] ?? revision.body.scientific}`;
    case 'protocol':
      return `the protocol ${revision.body.name}`;
    case 'medicine':
      return `the label of ${revision.body.name}`;
    case 'chore':
      return `the chore ${revision.body.name}`;
    case 'absence':
      return 'days away';
    case 'batch':
      return 'a quarantine batch';
    case 'run':
      // By its id, taken apart: the procedures themselves are not fetched for a list of acts.
      return `${revision.body.procedure.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)} run`;
    case 'entry': {
      const { body } = revision;
      // A test is known by what it tested, a note or a dose by what it is.
      return body.kind === 'reading' ? lowered(entryTitle(body)) : kindName(body);
    }
    default:
      return unreachable(revision);
  }
}

/** A title within a sentence; pH keeps its letters. */
function lowered(title: string): string {
  return /^[a-z]/.test(title) ? title : title.toLowerCase();
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
