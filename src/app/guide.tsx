import { GuideScreen } from '@/features/glossary/GuideScreen';

export default function Guide() {
  return <GuideScreen />;
}
