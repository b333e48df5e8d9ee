import { KEPT, KEPT_WORDS, type Kept } from '@/core/records/kinds/standstill';
import { capitalise } from '@/core/units/format';
import { OptionList } from '@/ui/Choice';
import { Remark } from '@/ui/Remark';
import { Words } from '@/ui/Words';

/** How rock and media were kept, the mildest first. */
export function KeptChoice({ kept, onChange }: { kept: Kept; onChange: (kept: Kept) => void }) {
  return (
    <>
      <Words as="strong">Rock and media were meanwhile</Words>
      <OptionList
        label="Rock and media were meanwhile"
        value={kept}
        onChange={onChange}
        options={KEPT.map((value) => ({ value, label: capitalise(KEPT_WORDS[value]) }))}
      />
      {kept === 'closed' ? (
        <Remark tone="caution">
          A closed wet filter runs out of oxygen and begins to rot within hours: rinse its media in
          tank water and throw the water in it away before it runs again.
        </Remark>
      ) : null}
    </>
  );
}
