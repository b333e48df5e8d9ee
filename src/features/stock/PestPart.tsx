import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { CAUTIONS } from '@/core/cautions';
import {
  PEST_SIGN_IDS,
  PEST_SIGNS,
  PEST_URGENCY_WORDS,
  pestsBy,
  type Pest,
  type PestSign,
} from '@/core/growth/pests';
import { to } from '@/frame/addresses';
import { CautionRemark } from '@/frame/CautionRemark';
import { Choice } from '@/ui/Choice';
import { LinkButton } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';

/** What a sign on corals or rock may be, and what is done first. */
export function PestPart() {
  const [sign, setSign] = useState<PestSign | null>(null);
  return (
    <View style={{ gap: 12 }}>
      <SectionHead title="Pests on corals and rock" />
      <Choice
        label="What was seen?"
        value={sign}
        onChange={setSign}
        options={PEST_SIGN_IDS.map((value) => ({ value, label: PEST_SIGNS[value] }))}
      />
      {sign ? (
        <View aria-live="polite" style={{ gap: 16 }}>
          {pestsBy(sign).map((pest) => (
            <PestWords key={pest.id} pest={pest} />
          ))}
        </View>
      ) : null}
    </View>
  );
}

function PestWords({ pest }: { pest: Pest }) {
  const router = useRouter();
  const { name, looks, harm, first, not, urgency, caution } = pest;
  return (
    <View style={{ gap: 6 }}>
      <Words as="strong">{`Perhaps ${name.charAt(0).toLowerCase()}${name.slice(1)}. ${PEST_URGENCY_WORDS[urgency]}.`}</Words>
      <Words as="body">{`${looks} ${harm}`}</Words>
      <Words as="body">{first}</Words>
      <Words as="soft">{`Not: ${not}`}</Words>
      {caution ? <CautionRemark caution={CAUTIONS[caution]} /> : null}
      <LinkButton
        soft
        label={`Log that it may be ${name.toLowerCase()}`}
        onPress={() =>
          router.push(to.log('observation', { text: `Perhaps ${name.toLowerCase()}: ${looks}` }))
        }
      />
    </View>
  );
}
