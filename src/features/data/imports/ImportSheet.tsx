import type { ImportPlan } from '@/core/records/file/importPlan';
import { monthWords } from '@/core/time/calendar';
import { capitalise, countOf, listWords } from '@/core/units/format';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';
import { useActWords } from '../useActWords';
import type { Found } from './useImport';

const SETTINGS_WORDS: Record<ImportPlan['settings'], string> = {
  none: '',
  same: '',
  taken: 'Its settings, units and bands among them, are taken: there are none here yet.',
  left: 'Your settings stay as they are; those of the file are left out.',
};

/** What a file would bring, before it does. */
export function ImportSheet({
  found,
  onImport,
  onClose,
}: {
  found: Found;
  onImport: () => void;
  onClose: () => void;
}) {
  const { name, from, plan, records, refused, doubled, carry, photos, words } = found;
  const actWords = useActWords();
  const [firstDoubled] = doubled;
  const fresh = plan.fresh.length;
  const names = plan.fresh.flatMap((r) => (r.type === 'tank' ? [r.body.name] : []));
  const [firstRefused] = refused;
  const [firstDiffering] = plan.differing;
  const both = words.some((one) => one.endsWith('both changed'));
  return (
    <Sheet title={carry ? `Take over from ${from}` : 'Import a log'} open onClose={onClose}>
      <Words as="lead">
        {fresh === 0
          ? `Everything in ${carry ? `what ${from} carried` : name} is here already.`
          : `**${countOf(fresh, 'record')}** of ${records.length}${carry ? '' : ` in ${name}`} ${fresh === 1 ? 'is' : 'are'} new here.`}
      </Words>
      {words.length > 0 ? <Words as="body">{`${capitalise(listWords(words))}.`}</Words> : null}
      {both ? (
        <Words as="soft">
          Where both changed the same field, what was recorded later counts, and the entry shows the
          other until you settle it.
        </Words>
      ) : null}
      {photos.length > 0 ? (
        <Words as="body">{`${countOf(photos.length, 'photo')} came along.`}</Words>
      ) : null}
      {names.length > 0 ? (
        <Words as="body">{`Tanks in it: ${[...new Set(names)].join(', ')}.`}</Words>
      ) : null}
      {!carry && SETTINGS_WORDS[plan.settings] ? (
        <Words as="body">{SETTINGS_WORDS[plan.settings]}</Words>
      ) : null}
      {plan.lacking.length > 0 ? (
        <Remark tone="watch" title="It was made for another device">
          {`What that one had already was left out: ${listWords(plan.lacking.map((month) => monthWords(`${month}-01`)))} may lack entries here. Carry this log to ${from} as well; what comes back then has them.`}
        </Remark>
      ) : null}
      {firstDiffering ? (
        <Remark
          tone="watch"
          title={`${countOf(plan.differing.length, 'record')} ${plan.differing.length === 1 ? 'differs' : 'differ'} from what is here`}
        >
          {`The same revision is here with other contents, so the file was changed by hand or is damaged. What is here stays. The first: ${actWords({ revisions: [firstDiffering] })}.`}
        </Remark>
      ) : null}
      {firstDoubled ? (
        <Remark
          tone="watch"
          title={`${countOf(doubled.length, 'record')} ${doubled.length === 1 ? 'stands' : 'stand'} twice in the file`}
        >
          {`Twice under one identity with different contents: the file was changed by hand or is damaged. What was recorded later counts, or else the reading that says more. Left out, the first: ${actWords({ revisions: [firstDoubled] })}.`}
        </Remark>
      ) : null}
      {firstRefused ? (
        <Remark tone="watch" title={`${countOf(refused.length, 'record')} can’t be read`}>
          {`The rest can be imported. The first is record ${firstRefused.row}: ${firstRefused.why}`}
        </Remark>
      ) : null}
      {fresh > 0 || carry ? (
        <Button kind="primary" label={buttonWords(found)} onPress={onImport} />
      ) : null}
      <Button label="Leave it" onPress={onClose} />
    </Sheet>
  );
}

function buttonWords({ carry, from, plan: { fresh }, photos }: Found): string {
  if (!carry) return `Import ${countOf(fresh.length, 'record')}`;
  if (fresh.length > 0) return `Take over ${countOf(fresh.length, 'record')}`;
  return photos.length > 0
    ? `Take over ${countOf(photos.length, 'photo')}`
    : `Note that ${from} has it too`;
}
