import { useRouter } from 'expo-router';
import { LinkButton } from '@/ui/Press';
import { to } from './addresses';
import { QUESTIONS, type GuideId } from './guideQuestions';

/** Leads to the page of the Guide that answers the question at hand. */
export function ReadMore({ page, before }: { page: GuideId; before?: () => void }) {
  const router = useRouter();
  return (
    <LinkButton
      soft
      label={QUESTIONS[page]}
      onPress={() => {
        before?.();
        router.push(to.guidePage(page));
      }}
    />
  );
}
