import { useState } from 'react';
import { View } from 'react-native';
import type { RevisionOf } from '@/core/records/schema/revision';
import { LEVELS, LEVEL_WORDS, LIGHT_LEVELS } from '@/core/records/schema/position';
import type { Reef } from '@/core/records/schema/tank';
import { capitalise } from '@/core/units/format';
import { useAppDispatch } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { Choice } from '@/ui/Choice';
import { LinkButton } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';

/** What light each height has, and what flow each third. */
export function Zones({ tank, reef }: { tank: RevisionOf<'tank'>; reef: Reef }) {
  const dispatch = useAppDispatch();
  const [open, setOpen] = useState(false);
  const save = (next: Reef) =>
    void dispatch(
      recordAct((act) => act.revise(tank, { ...tank.body, reef: next }), 'Zones changed'),
    );
  const THIRDS = ['Left third', 'Middle third', 'Right third'];
  return (
    <View style={{ gap: 12 }}>
      <SectionHead
        title="Light and flow"
        end={<LinkButton soft label={open ? 'Done' : 'Change'} onPress={() => setOpen(!open)} />}
      />
      {open ? (
        <>
          {LEVELS.map((level) => (
            <Choice
              key={level}
              label={`Light: ${LEVEL_WORDS[level].toLowerCase()}`}
              value={reef.light[level]}
              onChange={(light) => save({ ...reef, light: { ...reef.light, [level]: light } })}
              options={LIGHT_LEVELS.map((value) => ({ value, label: capitalise(value) }))}
            />
          ))}
          {reef.flow.map((flow, third) => (
            <Choice
              key={third}
              label={`Flow: ${THIRDS[third]?.toLowerCase() ?? ''}`}
              value={flow}
              onChange={(next) => {
                const [a, b, c] = reef.flow.map((old, i) => (i === third ? next : old));
                if (a && b && c) save({ ...reef, flow: [a, b, c] });
              }}
              options={(['gentle', 'medium', 'strong'] as const).map((value) => ({
                value,
                label: capitalise(value),
              }))}
            />
          ))}
        </>
      ) : (
        <Words as="soft">
          {`Light ${LEVELS.map((level) => `${reef.light[level]} ${LEVEL_WORDS[level].toLowerCase()}`).join(', ')}; flow ${reef.flow.join(', ')} from left to right.`}
        </Words>
      )}
    </View>
  );
}
